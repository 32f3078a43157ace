/** The layers of docs/architecture.md: arrows point one way, and no folder is in a cycle. */
const layer = (name, from, to) => ({ name, severity: "error", from: { path: from }, to });
/** The folders of core/identify in the order of processing: each imports only from those before it. */
const IDENTIFY = ["case", "model", "evidence", "posterior", "verdict", "next", "words", "compare"];
module.exports = {
  forbidden: [
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true } },
    { name: "resolvable", severity: "error", from: {}, to: { couldNotResolve: true, pathNot: "^(server-only|geojson)$" } },
    // Tests are looked at too: those of the core stand on tiny floras, and what is checked on the shipped one is in tests/flora.
    layer("core-imports-nothing-of-ours", "^src/core", { path: "^src/(?!core)", pathNot: "^src/core" }),
    layer("core-areas-are-entered-by-their-index", "^src/core/([^/]+)/", { path: "^src/core/[^/]+/", pathNot: "^src/core/($1/|[^/]+/index\\.ts$)" }),
    layer("core-is-entered-by-its-indexes", "^src/(?!core/)", { path: "^src/core/[^/]+/", pathNot: "^src/core/[^/]+/index\\.ts$" }),
    ...IDENTIFY.map((folder, i) => layer(`identify-${folder}-imports-what-comes-before`, `^src/core/identify/${folder}/(?!.*\\.test\\.ts$)`, { path: `^src/core/identify/(${[...IDENTIFY.slice(i + 1).map((later) => `${later}/`), "(?!tuning)[^/]+\\.ts$"].join("|")})` })),
    layer("core-is-pure", "^src/core/(?!.*\\.test\\.ts$)", { path: "(^|node_modules/)(react|next|drizzle-orm|pg|pg-boss|maplibre-gl|dexie|sharp|node:|fs$|path$|crypto$)" }),
    layer("env-imports-nothing-of-ours", "^src/env", { path: "^src/(?!env)" }),
    layer("contracts-import-core", "^src/contracts", { path: "^src/(?!contracts|core)" }),
    layer("flora-imports-core-and-drawings", "^src/flora", { path: "^src/(?!flora|core|drawings)" }),
    layer("drawings-import-core", "^src/drawings", { path: "^src/(?!drawings|core)" }),
    layer("papers-import-core-and-drawings", "^src/papers", { path: "^src/(?!papers|drawings|core)" }),
    layer("ports-import-core", "^src/ports", { path: "^src/(?!ports|core)" }),
    layer("stand-ins-implement-ports", "^src/stand-ins", { path: "^src/(?!stand-ins|ports|core)" }),
    layer("adapters-implement-ports", "^src/adapters", { path: "^src/(?!adapters|ports|core)" }),
    layer("only-wiring-picks-stand-ins", "^src/(?!stand-ins|wiring)", { path: "^src/stand-ins" }),
    layer("wiring-imports-what-it-wires", "^src/wiring", { path: "^src/(?!wiring|env|ports|adapters|stand-ins)" }),
    // The server is the same in the demonstration and in real use: no stand-in can be reached from it, by whatever way.
    { name: "server-reaches-no-stand-in", severity: "error", from: { path: "^src/server" }, to: { path: "^src/(stand-ins|wiring)", reachable: true } },
    layer("db-imports-core-contracts-and-env", "^src/db", { path: "^src/(?!db|core|contracts|env)" }),
    layer("server-below-app", "^src/server", { path: "^src/(app|components|drawings|papers|cli|demo|flora|jobs)" }),
    layer("jobs-above-server", "^src/jobs", { path: "^src/(app|components|drawings|cli|demo|flora|stand-ins)" }),
    layer("components-know-no-server", "^src/components", { path: "^src/(server|db/(client|queries|migrate)|app|cli|demo|flora|jobs|stand-ins|wiring/(server|jobs)|env|adapters)" }),
    // Pages and routes ask the server; only it knows the database.
    layer("app-asks-the-server", "^src/app", { path: "^src/db|(^|node_modules/)drizzle-orm" }),
    layer("app-above-server", "^src/app", { path: "^src/(cli|flora|jobs|stand-ins|adapters|wiring/(jobs|browser)|db/(client|migrate))" }),
  ],
  options: { doNotFollow: { path: "node_modules" }, tsPreCompilationDeps: true, exclude: { path: "(^tests/|^\\.next)" }, enhancedResolveOptions: { exportsFields: ["exports"], conditionNames: ["import", "require", "node", "default", "types"], extensions: [".ts", ".tsx", ".mjs", ".js", ".json"] } },
};
