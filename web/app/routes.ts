import { index, layout, prefix, type RouteConfig, route } from "@react-router/dev/routes";

/** Addresses of before: they lead to the pages that took their place. */
const MOVED = ["weeks/*", "house", "plans/take-in", "plans/:planId/sheets/*", "plans/:planId/places", "plans/:planId/versions"];

/**
 * Grouped by who may open them: each layout without a path lets only its roles on. What programs ask for, the browser's
 * own scripts among them, stands apart: it is never led to the sign-in page.
 */
export default [
  route("health", "routes/health.ts"),
  route("sign-in", "routes/sign-in.tsx"),
  route("forgotten", "routes/forgotten.tsx"),
  route("reset/:resetToken", "routes/reset.tsx"),
  route("set-up/:setUpToken?", "routes/set-up.tsx"),
  route("invitation/:token", "routes/invitation.tsx"),
  route("calendar/:file", "routes/calendar-address.ts"),
  layout("routes/signed-in.tsx", [
    route("sign-out", "routes/sign-out.ts"),
    ...MOVED.map((path) => route(path, "routes/moved.ts", { id: `moved ${path}` })),
    layout("routes/with-shell.tsx", [
      index("routes/today.tsx"),
      route("account", "routes/account.tsx"),
      route("account/second-factor", "routes/second-factor.tsx"),
      route("table", "routes/limitation-table.tsx"),
      layout("routes/for-class.ts", { id: "class-with-shell" }, [route("helping", "routes/helping.tsx")]),
      layout("routes/for-limits.ts", { id: "limits-with-shell" }, [
        ...prefix("people", [
          index("routes/people.tsx"),
          ...prefix(":personId", [
            index("routes/person.tsx"),
            route("about", "routes/person-about.tsx"),
            route("limitation", "routes/limitation-new.tsx"),
            route("limitations/:limitationId/clearance", "routes/clearance-new.tsx"),
            route("measured", "routes/measured.tsx"),
            route("history", "routes/cap-history.tsx"),
          ]),
        ]),
      ]),
      layout("routes/for-leaders.ts", { id: "leaders-with-shell" }, [
        route("start/:step?", "routes/start.tsx"),
        route("people/new", "routes/person-new.tsx"),
        route("people/files", "routes/people-files.tsx"),
        route("movements", "routes/movements.tsx"),
        route("movements/:movementId/studio", "routes/studio.tsx"),
        route("combinations", "routes/combinations.tsx"),
        ...prefix("plans", [
          index("routes/plans.tsx"),
          route("import", "routes/plan-import.tsx"),
          route(":planId", "routes/plan-board.tsx"),
          route(":planId/revisions", "routes/plan-revisions.tsx"),
          route(":planId/organise", "routes/plan-organise.tsx"),
          route(":planId/printouts", "routes/plan-printouts.tsx"),
          route(":planId/floor", "routes/plan-floor.tsx"),
        ]),
        route("calendar", "routes/calendar.tsx"),
        route("styles", "routes/styles.tsx"),
        route("progress/:personId?", "routes/progress.tsx"),
        route("groups", "routes/groups.tsx"),
        route("groups/:groupId/known", "routes/known-people.tsx"),
        route("archive", "routes/archive.tsx"),
        route("classes/:classId/correct", "routes/class-correct.tsx"),
      ]),
      layout("routes/for-owners.ts", { id: "owners-with-shell" }, [
        route("organisation", "routes/organisation.tsx"),
        route("organisation/thresholds", "routes/thresholds.tsx"),
        route("organisation/record", "routes/audit.tsx"),
        route("organisation/retention", "routes/retention.tsx"),
        route("organisation/delete", "routes/organisation-delete.tsx"),
        route("people/:personId/erase", "routes/person-erase.tsx"),
      ]),
    ]),
    layout("routes/for-limits.ts", { id: "limits-bare" }, [
      route("people/:personId/page", "routes/person-page.tsx"),
      route("people/:personId/clearances/:clearanceId/file", "routes/clearance-file.ts"),
    ]),
    layout("routes/for-owners.ts", { id: "owners-bare" }, [route("organisation/export", "routes/organisation-export.ts")]),
    layout("routes/for-leaders.ts", { id: "leaders-bare" }, [
      route("people/:personId/export", "routes/person-export.ts"),
      route("people/files/:kind", "routes/people-file.ts"),
      route("movements/file", "routes/movements-file.ts"),
      route("movements/:movementId/file", "routes/movement-file.ts"),
      route("movements/:movementId/figure", "routes/movement-figure.ts"),
      route("combinations/:combinationId/file", "routes/combination-file.ts"),
      route("plans/:planId/script", "routes/plan-script.tsx"),
      route("plans/:planId/file", "routes/plan-file.ts"),
      ...prefix("plans/:planId/printouts", [
        route("helper", "routes/plan-helper-sheet.tsx"),
        route("set-up", "routes/plan-set-up-sheet.tsx"),
        route("people/:personId", "routes/plan-card.tsx"),
      ]),
      route("calendar/sessions.ics", "routes/calendar-file.ts"),
    ]),
    layout("routes/for-class.ts", { id: "class-bare" }, [route("classes/:classId", "routes/class.tsx")]),
  ]),
  layout("routes/for-programs.ts", [
    layout("routes/for-leaders.ts", { id: "leaders-programs" }, [
      route("fit", "routes/fit-api.ts"),
      route("combinations/save", "routes/combination-save.ts"),
      route("plans/:planId/content", "routes/plan-content.ts"),
      route("plans/:planId/teach", "routes/plan-teach.ts"),
      route("classes/:classId/fit", "routes/class-fit.ts"),
      route("classes/:classId/walk-in", "routes/class-walk-in.ts"),
    ]),
    layout("routes/for-class.ts", { id: "class-programs" }, [
      route("classes/:classId/events", "routes/class-events.ts"),
      route("classes/:classId/script", "routes/class-script.ts"),
    ]),
  ]),
  route("*", "routes/unknown.ts"),
] satisfies RouteConfig;
