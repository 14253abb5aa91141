import { Menu as MenuIcon } from "lucide-react";
import type { ReactNode } from "react";
import { Form, NavLink, useLocation } from "react-router";
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

const LINK = "flex min-h-11 items-center no-underline hover:text-white";

/** The pages, in a row or one under the other. */
function Pages({ role, className }: { role: Role; className: string }) {
  return (
    <nav aria-label="Main" className={className}>
      {PAGES[role].map(([to, label]) => (
        <NavLink
          key={to}
          to={to}
          end={to === "/"}
          className={({ isActive }) =>
            `${LINK} px-3 ${isActive ? "font-bold shadow-[inset_0_-4px_0_var(--color-tide-300)]" : "text-tide-100"}`
          }
        >
          {label}
        </NavLink>
      ))}
    </nav>
  );
}

/** Who is signed in, and the way out. */
function Account({ organisation, name, className }: { organisation: string; name: string; className: string }) {
  return (
    <div className={`items-center gap-3 ${className}`}>
      <NavLink to="/account" className={`${LINK} text-tide-100`}>
        {organisation} · {name}
      </NavLink>
      <Form method="post" action="/sign-out">
        <button type="submit" className="min-h-11 px-2 underline underline-offset-4">
          Sign out
        </button>
      </Form>
    </div>
  );
}

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
  const { pathname } = useLocation();
  return (
    <div className="flex min-h-screen flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-sand-50 focus:p-3">
        Skip to main content
      </a>
      <header className="bg-tide-800 text-sand-50 print:hidden">
        <div className="mx-auto hidden max-w-7xl flex-wrap items-center gap-x-8 px-6 sm:flex">
          <span className="py-2 font-display text-xl font-bold">Able Tide</span>
          <Pages role={role} className="flex flex-wrap" />
          <Account organisation={organisation} name={name} className="ml-auto flex" />
        </div>
        {/* A phone has room for one line: the rest unfolds, and folds again on the next page. */}
        <details key={pathname} className="group px-6 sm:hidden">
          <summary className="flex min-h-11 list-none items-center justify-between">
            <span className="font-display text-xl font-bold">Able Tide</span>
            <span className="flex min-h-11 items-center gap-2 underline underline-offset-4">
              <MenuIcon size={20} aria-hidden="true" /> Menu
            </span>
          </summary>
          <Pages role={role} className="grid grid-cols-2" />
          <Account organisation={organisation} name={name} className="flex flex-wrap justify-between px-3" />
        </details>
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
