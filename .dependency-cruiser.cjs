/** Which way imports go: see docs/architecture.md. Each layer of the core imports only earlier ones. */
const layers = [
  "calendar",
  "numeric",
  "units",
  "interval",
  "formula",
  "solve",
  "fit",
  "model",
  "plan",
  "data",
  "explain",
  "working",
  "question",
  "graph",
  "choice",
  "desk",
  "brief",
  "forms",
  "starters",
  "entry",
  "judging",
  "story",
  "reading",
  "help",
  "edit",
  "slips",
  "merge",
];
const later = (name) => layers.slice(layers.indexOf(name) + 1);

module.exports = {
  forbidden: [
    {
      name: "no-circles",
      severity: "error",
      from: {},
      to: { circular: true },
    },
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.(test|fixture)\\.ts$" },
      to: { pathNot: "^core/|^node_modules/(fraction\\.js|pluralize|@types/pluralize)" },
    },
    ...layers.map((name) => ({
      name: `core-${name}-imports-earlier-rooms`,
      severity: "error",
      from: { path: `^core/${name}/`, pathNot: "\\.(test|fixture)\\.ts$" },
      to: { path: `^core/(${later(name).join("|") || "nothing"})/` },
    })),
    { name: "server-and-app-apart", severity: "error", from: { path: "^app/" }, to: { path: "^server/" } },
    { name: "app-and-server-apart", severity: "error", from: { path: "^server/" }, to: { path: "^app/" } },
    { name: "shared-knows-core-only", severity: "error", from: { path: "^shared/" }, to: { path: "^(app|server)/" } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.(test|fixture)\\.ts$" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: [".ts", ".vue", ".mjs", ".js", ".json"],
      exportsFields: ["exports"],
      conditionNames: ["import", "node", "default"],
    },
  },
};
