/** Arrows run one way, downwards: app → features → ui, server → db → core. See docs/structure.md. */
const below = {
  app: [],
  features: ["app"],
  ui: ["app", "features", "server", "db", "core", "workers"],
  server: ["app", "features", "ui", "workers"],
  db: ["app", "features", "ui", "server", "workers"],
  core: ["app", "features", "ui", "server", "db", "workers"],
  workers: ["app", "features", "ui", "server", "db"],
};
module.exports = {
  forbidden: [
    { name: "no-circular", severity: "error", from: {}, to: { circular: true } },
    ...Object.entries(below)
      .filter(([, above]) => above.length)
      .map(([name, above]) => ({
        name: `${name}-knows-nothing-above`,
        severity: "error",
        from: { path: `^src/${name}/` },
        to: { path: `^src/(${above.join("|")})/` },
      })),
    {
      name: "core-is-pure",
      severity: "error",
      from: { path: "^src/core/", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["npm", "core"], pathNot: "node_modules/(zod|culori|spectral\\.js|ml-matrix|jstat)/" },
    },
    {
      name: "what-draws-maps-parses-none",
      comment:
        "The map's page reckons with core/map and parses nothing: its schemas, and the library they are made with, come when asked for.",
      severity: "error",
      from: { path: "^src/core/map/", pathNot: "/(schema|tray|ownLook|wornLashes|index)\\.ts$|\\.test\\.ts$" },
      to: { path: "^src/core/map/(schema|tray|ownLook|wornLashes|index)\\.ts$|node_modules/zod/", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "what-the-chair-reckons-parses-none",
      comment:
        "The visit's page counts lashes and follows its steps; what is parsed is parsed on the server, by schemas that it does not carry.",
      severity: "error",
      from: { path: "^src/core/(placing|checklist)/", pathNot: "/(schema|setPaceSchema)\\.ts$|\\.test\\.ts$" },
      to: { path: "^src/core/(placing|checklist)/(schema|setPaceSchema)\\.ts$|node_modules/zod/", dependencyTypesNot: ["type-only"] },
    },
    {
      name: "queries-only-in-server-and-data",
      comment: "A route composes features; only data.ts, actions.ts and the server reach the database.",
      severity: "error",
      from: { path: "^src/app/" },
      to: { path: "^src/db/" },
    },
    {
      name: "simulators-speak-the-real-interface",
      severity: "error",
      from: { path: "^simulators/" },
      to: { path: "^src/" },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "tsconfig.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "require", "node", "default"] },
  },
};
