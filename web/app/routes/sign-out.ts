import { redirect } from "react-router";
import { leave } from "../../server/entrance.ts";
import { signedOutHeaders, tokenOf } from "../cookies.server.ts";
import type { Route } from "./+types/sign-out";

export const loader = () => redirect("/");

export async function action({ request }: Route.ActionArgs) {
  const token = await tokenOf(request);
  if (token) await leave(token);
  return redirect("/sign-in", { headers: await signedOutHeaders() });
}
