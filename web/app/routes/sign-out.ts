import { redirect } from "react-router";
import { leave } from "../../server/entrance.ts";
import { signInCookie, tokenOf } from "../signed-in.server.ts";
import type { Route } from "./+types/sign-out";

export const loader = () => redirect("/");

export async function action({ request }: Route.ActionArgs) {
  const token = await tokenOf(request);
  if (token) await leave(token);
  return redirect("/sign-in", { headers: { "Set-Cookie": await signInCookie.serialize("", { maxAge: 0 }) } });
}
