import "./app.css";
import type { ReactNode } from "react";
import { isRouteErrorResponse, Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
import type { Route } from "./+types/root";
import { useNonce } from "./nonce.ts";
import { requestGuards } from "./request-guards.server.ts";

export const middleware: Route.MiddlewareFunction[] = requestGuards;

export const meta: Route.MetaFunction = () => [{ title: "Able Tide" }];

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useNonce();
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="theme-color" content="#16414d" />
        <link rel="icon" href="/vessel.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  return <Outlet />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const answer = isRouteErrorResponse(error) ? error : null;
  return (
    <main className="mx-auto max-w-2xl p-10">
      <h1 className="text-3xl">{answer?.status === 404 ? "Page not found" : "Something went wrong"}</h1>
      <p className="mt-3 text-lg">
        {typeof answer?.data === "string" && answer.data !== ""
          ? answer.data
          : answer?.status === 404
            ? "The page may have moved, or your account may not have access to it."
            : "Saved work is safe. Go back and try again."}
      </p>
      <p className="mt-6">
        <a className="font-semibold underline underline-offset-4" href="/">
          Back to Today
        </a>
      </p>
    </main>
  );
}
