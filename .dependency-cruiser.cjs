/** Data flows one way: core knows nothing of the web, screens reach the database only through repositories. */

/** Packages of the core, lowest first: each may use those before it and none after it. */
const PACKAGES = [
  "body",
  "venues",
  "movement",
  "figure",
  "caps",
  "people",
  "setup",
  "plan",
  "schedule",
  "fit",
  "leading",
  "planner",
  "class",
];

/** What screens are made of, a folder each. */
const AREAS = ["class", "movements", "organisation", "people", "plans", "progress", "start", "studio", "today"];

const packageOrder = PACKAGES.map((name, number) => ({
  name: `core-order-${name}`,
  comment: `Packages of the core are ordered; ${name} may not use those after it.`,
  severity: "error",
  from: { path: `^core/src/${name}/`, pathNot: "\\.(test|fixture)\\.ts$" },
  to: { path: `^core/src/(${PACKAGES.slice(number + 1).join("|")})/` },
})).slice(0, -1);

module.exports = {
  forbidden: [
    ...packageOrder,
    {
      name: "core-ground",
      comment: "What stands beside the packages (sides, calendar, published values, file reading) is below all of them.",
      severity: "error",
      from: { path: "^core/src/([a-z-]+\\.ts|files/|reference/)", pathNot: "\\.(test|fixture)\\.ts$" },
      to: { path: `^core/src/(${PACKAGES.join("|")})/` },
    },
    {
      name: "core-stands-alone",
      comment: "The computation knows no screen, database, Node or browser package.",
      severity: "error",
      from: { path: "^core/src", pathNot: "\\.(test|fixture)\\.ts$" },
      to: { path: ["^web", "^words", "^library", "node_modules/(?!valibot/|jsonc-parser/|lru-cache/|dequal/)"] },
    },
    {
      name: "words-know-the-core",
      comment: "Sentences are made of what the core returns; they know no screen, database, Node or browser package.",
      severity: "error",
      from: { path: "^words", pathNot: "\\.(test|fixture)\\.ts$" },
      to: { path: ["^web", "^library", "node_modules/(?!valibot/)"], dependencyTypesNot: ["type-only"] },
    },
    {
      name: "core-without-node",
      severity: "error",
      from: { path: "^core/src", pathNot: "\\.(test|fixture)\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "database-behind-repositories",
      comment: "Screens use repositories; Knex, pg and the connection itself stay in server/.",
      severity: "error",
      from: { path: "^web/app" },
      to: { path: ["node_modules/(knex|pg)/", "^web/server/(database|migrate|migrations|demo)"] },
    },
    {
      name: "primitives-in-kit",
      comment: "Dialogs, menus, tooltips and the like come from the kit, so that each behaves the same everywhere.",
      severity: "error",
      from: { path: "^web/app/(?!kit/)" },
      to: { path: "(^|node_modules/)(radix-ui|@radix-ui)" },
    },
    {
      name: "forms-alone",
      comment: "Forms and workers' jobs are the same in the browser and on the server; they know the core only.",
      severity: "error",
      from: { path: "^web/(forms|jobs)", pathNot: "\\.test\\.ts$" },
      to: { path: "^web/(app|server)" },
    },
    {
      name: "server-without-screens",
      severity: "error",
      from: { path: "^web/server" },
      to: { path: "^web/app" },
    },
    {
      name: "browser-code-without-server",
      comment: "Only routes and .server modules may load server code; components take types from it at most.",
      severity: "error",
      from: { path: "^web/app", pathNot: "^web/app/(routes/|.*\\.server\\.tsx?$)" },
      to: { path: "^web/server", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "areas-apart",
      comment: "Areas of the web share through the kit and the forms; they do not reach into each other.",
      severity: "error",
      from: { path: `^web/app/(${AREAS.join("|")})/` },
      to: { path: `^web/app/(${AREAS.join("|")})/`, pathNot: "^web/app/$1/" },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true, dependencyTypesNot: ["type-only"] } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "require", "node", "default", "types"] },
  },
};
