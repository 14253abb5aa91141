import { Outlet } from "react-router";
import { requireSignIn } from "../signed-in.server.ts";
import type { Route } from "./+types/signed-in";

export const middleware: Route.MiddlewareFunction[] = [requireSignIn];

// A loader makes the middleware run on every visit below, also when the page itself loads nothing.
export const loader = () => null;

export default function SignedIn() {
  return <Outlet />;
}
