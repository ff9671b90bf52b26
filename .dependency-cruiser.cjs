/**
 * The rooms of core in the order in which a drill passes through them: a room may import those above it.
 * See docs/architecture.md.
 */
const ROOMS = [
  "base",
  "random",
  "score",
  "findings",
  "words",
  "customs",
  "body",
  "read",
  "exchange",
  "drill",
  "trade",
  "policy",
  "plain",
  "answers",
  "search",
  "vary",
  "ladder",
  "calls",
  "pairs",
  "people",
  "lists",
  "class",
  "floor",
  "learn",
  "formats",
];

/** Which part may know which: text -> score -> checked -> screens, and nothing back. */
module.exports = {
  forbidden: [
    {
      name: "no-circular",
      severity: "error",
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
    {
      name: "core-alone",
      severity: "error",
      comment: "core knows no interface, database or server",
      from: { path: "^core/" },
      to: { path: "^(app|server|db|demo|cli|scripts)/" },
    },
    ...ROOMS.map((room, i) => ({
      name: `room-${room}`,
      severity: "error",
      comment: "imports go to rooms above, never back",
      from: { path: `^core/${room}/`, pathNot: "(\\.test|testing)\\.ts$" },
      to: { path: `^core/(${ROOMS.slice(i + 1).join("|") || "none"})/` },
    })),
    {
      name: "room-known",
      severity: "error",
      comment: "a new room gets its place in the list",
      from: { path: "^core/" },
      to: { path: `^core/(?!(${ROOMS.join("|")})/)` },
    },
    {
      name: "core-face",
      severity: "error",
      comment: "how a verdict comes about is core's own: outsiders ask check, policy, searches and formats",
      from: { path: "^(app|server|db|cli|demo)/", pathNot: "\\.test\\.tsx?$" },
      to: { path: "^core/(exchange|read|random|drill/(?!(check|types|shown)\\.ts)|body/(?!parts\\.ts))" },
    },
    {
      name: "server-without-demo",
      severity: "error",
      comment: "production knows no demo data",
      from: { path: "^(server|db|app)/", pathNot: "\\.test\\.tsx?$" },
      to: { path: "^demo/" },
    },
    {
      name: "core-pure-packages",
      severity: "error",
      comment: "only small pure packages in core",
      from: { path: "^core/", pathNot: "(\\.test|testing)\\.ts$" },
      to: {
        dependencyTypes: ["npm"],
        pathNot: "node_modules/(@lezer|edmonds-blossom|fastest-levenshtein|ts-fsrs|yup)",
      },
    },
    {
      name: "core-no-node",
      severity: "error",
      from: { path: "^core/", pathNot: "(\\.test|testing)\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "database-behind-routes",
      severity: "error",
      comment: "screens get their data from routes",
      from: { path: "^app/", pathNot: "^app/(routes/|root\\.tsx|entry\\.server\\.tsx)" },
      to: { path: "^server/", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "screens-without-db",
      severity: "error",
      comment: "screens are typed by server/views.ts, never by rows",
      from: { path: "^app/", pathNot: "^app/(routes/|root\\.tsx|entry\\.server\\.tsx)" },
      to: { path: "^db/" },
    },
    {
      name: "server-without-app",
      severity: "error",
      comment: "what server and screens share stands in core (lists) or in server/views.ts",
      from: { path: "^server/", pathNot: "(\\.test|testing)\\.ts$" },
      to: { path: "^app/" },
    },
    {
      name: "routes-thin",
      severity: "error",
      comment: "routes hold no computation of their own",
      from: { path: "^app/routes/" },
      to: { path: "^core/" },
    },
    {
      name: "db-below",
      severity: "error",
      from: { path: "^db/", pathNot: "(\\.test|testing)\\.ts$" },
      to: { path: "^(app|server|cli)/" },
    },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(^build/|score-parser|\\+types|virtual:)" },
    enhancedResolveOptions: {
      exportsFields: ["exports"],
      conditionNames: ["import", "require", "node", "default", "types"],
    },
  },
};
