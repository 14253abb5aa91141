import { Outlet } from "react-router";
import { Shell } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/with-shell";

export function loader({ context }: Route.LoaderArgs) {
  const { organisationName, accountName, role } = context.get(scopeContext);
  return { organisationName, accountName, role };
}

export default function WithShell({ loaderData }: Route.ComponentProps) {
  return (
    <Shell organisation={loaderData.organisationName} name={loaderData.accountName} role={loaderData.role}>
      <Outlet />
    </Shell>
  );
}
