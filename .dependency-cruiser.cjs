/** The directions that imports may take. `tools/check-imports.mjs` runs it and plants a violation that must be found. */
const types = { dependencyTypesNot: ["type-only"] };

module.exports = {
  forbidden: [
    {
      name: "core-imports-nothing-of-ours",
      severity: "error",
      from: { path: "^core/src" },
      to: { path: "^(web|tools|stand-ins|bench|e2e)/" },
    },
    {
      name: "core-is-pure",
      comment: "No I/O, framework or clock: only the packages of the allow-list.",
      severity: "error",
      from: { path: "^core/src", pathNot: "\\.test\\.ts$" },
      to: {
        dependencyTypes: ["npm", "npm-dev", "npm-peer", "core"],
        pathNot:
          "node_modules/(zod|rrule|temporal-polyfill|fastest-levenshtein|ml-matrix|tslib|@neaps/tide-predictor|suncalc)/",
      },
    },
    {
      name: "given-comes-first",
      comment: "A plan goes through its rooms once: given, change, steps, visit.",
      severity: "error",
      from: { path: "^core/src/given/" },
      to: { path: "^core/src/(change|steps|visit)/" },
    },
    {
      name: "change-before-steps",
      severity: "error",
      from: { path: "^core/src/change/" },
      to: { path: "^core/src/(steps|visit)/" },
    },
    {
      name: "steps-before-visit",
      severity: "error",
      from: { path: "^core/src/steps/" },
      to: { path: "^core/src/visit/" },
    },
    {
      name: "no-place-imports-another",
      severity: "error",
      from: { path: "^web/places/([^/]+)/" },
      to: { path: "^web/places/", pathNot: "^web/places/$1/" },
    },
    {
      name: "places-do-not-import-app-or-jobs",
      severity: "error",
      from: { path: "^web/places" },
      to: { path: "^web/(app|jobs)/" },
    },
    {
      name: "kit-and-device-stay-below",
      severity: "error",
      from: { path: "^web/(kit|device|workers)/" },
      to: { path: "^web/(app|places|data|jobs)/", ...types },
    },
    {
      name: "data-imports-core-only",
      severity: "error",
      from: { path: "^web/data/" },
      to: { path: "^web/(app|places|kit|device|workers|jobs)/" },
    },
    {
      name: "only-data-speaks-to-the-database",
      severity: "error",
      from: { path: "^web/", pathNot: "^web/(data|drizzle\\.config)|\\.test\\.tsx?$" },
      to: { path: "node_modules/(drizzle-orm|mysql2)/", ...types },
    },
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true, ...types } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    exclude: { path: "(\\.next|web/public)/" },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: "web/tsconfig.json" },
    enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "require", "node", "default"] },
  },
};
