import type { ReactNode } from "react";
import { Form, NavLink } from "react-router";
import type { Role } from "../../server/scope.ts";
import { Disclaimer } from "./disclaimer.tsx";

const LEADING = [
  ["/", "Today"],
  ["/people", "Participants"],
  ["/groups", "Groups"],
  ["/movements", "Movements"],
  ["/plans", "Plans"],
  ["/progress", "Progress"],
] as const;

/** The pages that each role finds at the top. */
const PAGES: Readonly<Record<Role, readonly (readonly [to: string, label: string])[]>> = {
  owner: [...LEADING, ["/organisation", "Organisation"]],
  instructor: LEADING,
  helper: [
    ["/", "Today"],
    ["/helping", "Who needs what"],
  ],
  clinician: [
    ["/", "Today"],
    ["/people", "Participants"],
    ["/table", "Limitation guide"],
  ],
};

/** The page around everything but the class: a band of sea whose lower edge is a tide. */
export function Shell({
  organisation,
  name,
  role,
  children,
}: {
  organisation: string;
  name: string;
  role: Role;
  children: ReactNode;
}) {
  return (
    <div className="flex min-h-screen flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-sand-50 focus:p-3">
        Skip to main content
      </a>
      <header className="bg-tide-800 text-sand-50 print:hidden">
        <div className="mx-auto flex max-w-7xl flex-wrap items-center gap-x-8 px-6">
          <span className="py-2 font-display text-xl font-bold">Able Tide</span>
          <nav aria-label="Main" className="flex flex-wrap">
            {PAGES[role].map(([to, label]) => (
              <NavLink
                key={to}
                to={to}
                end={to === "/"}
                className={({ isActive }) =>
                  `flex min-h-11 items-center px-3 no-underline hover:text-white ${isActive ? "font-bold shadow-[inset_0_-4px_0_var(--color-tide-300)]" : "text-tide-100"}`
                }
              >
                {label}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex items-center gap-3">
            <NavLink to="/account" className="flex min-h-11 items-center text-tide-100 no-underline hover:text-white">
              {organisation} · {name}
            </NavLink>
            <Form method="post" action="/sign-out">
              <button type="submit" className="min-h-11 px-2 underline underline-offset-4">
                Sign out
              </button>
            </Form>
          </div>
        </div>
        <svg viewBox="0 0 1200 14" preserveAspectRatio="none" className="block h-2.5 w-full bg-sand-50" aria-hidden="true">
          <path d="M0 0 H1200 V5 C1050 13 950 13 800 7 S550 1 400 7 S150 13 0 6 Z" fill="var(--color-tide-800)" />
        </svg>
      </header>
      <main id="main" className="mx-auto w-full max-w-7xl flex-1 px-6 pt-4 pb-10">
        {children}
      </main>
      <footer className="mx-auto w-full max-w-7xl border-t border-sand-300 px-6 py-4 text-sand-600 print:hidden">
        <Disclaimer />
      </footer>
    </div>
  );
}

/** The first line of a page: what it is, a note next to it, and what can be done. */
export function PageHead({ title, children, note }: { title: string; note?: ReactNode; children?: ReactNode }) {
  return (
    <div className="mb-6 flex flex-wrap items-end justify-between gap-x-6 gap-y-3">
      <div>
        <h1 className="text-3xl">{title}</h1>
        {note && <p className="mt-1 text-lg text-sand-600">{note}</p>}
      </div>
      {children && <div className="flex flex-wrap gap-3">{children}</div>}
    </div>
  );
}
