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
    {
      name: "core-pure-packages",
      severity: "error",
      comment: "only small pure packages in core",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["npm"], pathNot: "node_modules/(@lezer|edmonds-blossom|fastest-levenshtein|yup)" },
    },
    {
      name: "core-no-node",
      severity: "error",
      from: { path: "^core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "database-behind-routes",
      severity: "error",
      comment: "screens get their data from routes",
      from: { path: "^app/", pathNot: "^app/(routes/|root\\.tsx|entry\\.server\\.tsx)" },
      to: { path: "^(db|server)/", dependencyTypesNot: ["type-only"] },
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
      from: { path: "^db/", pathNot: "\\.test\\.ts$" },
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
