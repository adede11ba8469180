/** Arrows between rooms point one way; see docs/architecture.md. */
const room = (name) => `^${name}/`;
const TESTS = "\\.test\\.tsx?$";
const mayUse = (from, to) => ({
  name: `${from}-uses-only-${to.join("-") || "itself"}`,
  severity: "error",
  from: { path: room(from), pathNot: TESTS },
  to: {
    path: "^(app|screens|data|ui|server|db|core|messages|workers|picture|cli|host|tools|demo|fixtures|e2e)/",
    pathNot: [from, ...to].map(room),
  },
});

/** @type {import("dependency-cruiser").IConfiguration} */
module.exports = {
  forbidden: [
    mayUse("core", []),
    mayUse("ui", ["core"]),
    mayUse("data", ["core"]),
    mayUse("messages", ["core"]),
    mayUse("screens", ["data", "ui", "core", "messages", "workers"]),
    mayUse("app", ["screens", "ui", "server"]),
    mayUse("server", ["db", "core", "messages", "demo"]),
    mayUse("db", ["core"]),
    mayUse("workers", ["core", "picture"]),
    mayUse("picture", ["core"]),
    mayUse("demo", ["core"]),
    mayUse("cli", ["core", "messages", "picture"]),
    mayUse("host", ["core", "db", "server"]),
    mayUse("tools", ["cli", "host", "core", "messages", "db", "server", "demo", "fixtures", "e2e"]),
    mayUse("fixtures", ["core", "data", "server", "db"]),
    {
      name: "core-stays-pure",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: {
        path: "^(node_modules/(react|next|pg|drizzle-orm|styled-components)|node:)",
        dependencyTypesNot: ["local"],
      },
    },
    {
      name: "core-needs-no-node",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "through-the-doors",
      comment: "A subject of core is used by its door, index.ts.",
      severity: "error",
      from: { path: "^core/([^/]+)/", pathNot: TESTS },
      to: { path: "^core/[^/]+/", pathNot: ["^core/$1/", "^core/[^/]+/index\\.ts$"] },
    },
    {
      name: "through-the-doors-from-outside",
      severity: "error",
      from: { pathNot: ["^core/", TESTS] },
      to: { path: "^core/[^/]+/", pathNot: "^core/[^/]+/index\\.ts$" },
    },
    {
      name: "core-knows-no-words",
      severity: "error",
      from: { path: "^messages/", pathNot: TESTS },
      to: { path: "^core/", dependencyTypesNot: ["type-only"] },
    },
    { name: "no-circles", severity: "error", from: {}, to: { circular: true, dependencyTypesNot: ["type-only"] } },
    {
      name: "no-orphans",
      severity: "error",
      from: {
        orphan: true,
        pathNot: ["\\.d\\.ts$", "\\.test\\.ts$", "(^|/)app/", "^ui/otherLocale\\.cjs$", "^tools/keepMessages\\.mjs$"],
      },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "require", "node", "default"] },
  },
};
