import { index, layout, prefix, type RouteConfig, route } from "@react-router/dev/routes";

export default [
  route("health", "routes/health.ts"),
  route("sign-in", "routes/sign-in.tsx"),
  layout("routes/signed-in.tsx", [
    route("sign-out", "routes/sign-out.ts"),
    layout("routes/with-shell.tsx", [
      index("routes/today.tsx"),
      ...prefix("people", [
        index("routes/people.tsx"),
        route("new", "routes/person-new.tsx"),
        route(":personId", "routes/person.tsx"),
      ]),
      route("movements", "routes/movements.tsx"),
      route("movements/:movementId/studio", "routes/studio.tsx"),
      ...prefix("plans", [index("routes/plans.tsx"), route(":planId", "routes/plan-board.tsx")]),
      route("weeks/:personId?", "routes/weeks.tsx"),
    ]),
    route("movements/file", "routes/movements-file.ts"),
    route("movements/:movementId/file", "routes/movement-file.ts"),
    route("plans/:planId/content", "routes/plan-content.ts"),
    route("plans/:planId/teach", "routes/plan-teach.ts"),
    route("classes/:classId", "routes/class.tsx"),
    route("classes/:classId/events", "routes/class-events.ts"),
    route("classes/:classId/fit", "routes/class-fit.ts"),
  ]),
] satisfies RouteConfig;
