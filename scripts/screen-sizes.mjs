/**
 * What each screen loads before anything is pressed: its scripts as they are sent (brotli), by the build. Fails where one
 * has grown by more than 3 % over its figure in docs/screen-sizes.json, or the base over its limit; --write keeps the
 * figures of this build. What a timer, a worker or a press loads is counted by page-speed.mjs.
 */
import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const ASSETS = "build/client/assets";
const KEPT = "docs/screen-sizes.json";
/** Share by which a screen may grow before somebody has to say so by writing the figures again. */
const GROWTH = 0.03;
/** What every screen loads, KB. */
const MOST_BASE = 170;

const manifest = readdirSync(ASSETS).find((name) => /^manifest-.*\.js$/.test(name));
const { entry, routes } = JSON.parse(
  readFileSync(join(ASSETS, manifest), "utf8")
    .replace(/^window\.__reactRouterManifest=/, "")
    .replace(/;$/, ""),
);

const filesOf = ({ module, imports, hydrateFallbackModule, clientActionModule, clientLoaderModule }) =>
  [module, hydrateFallbackModule, clientActionModule, clientLoaderModule, ...imports].filter(Boolean);
const kbOf = (files) =>
  [...new Set(files)].reduce((sum, path) => sum + statSync(join("build/client", `${path}.br`)).size, 0) / 1000;

const base = [...filesOf(entry), ...filesOf(routes.root)];
/** A screen with the layouts round it. */
function withParents(id) {
  const route = routes[id];
  return [...filesOf(route), ...(route.parentId ? withParents(route.parentId) : [])];
}
const sizes = { base: Math.round(kbOf(base)) };
for (const id of Object.keys(routes)
  .filter((one) => one !== "root" && one !== "routes/inside" && routes[one].hasDefaultExport)
  .sort())
  sizes[id.replace(/^routes\//, "")] = Math.round(kbOf([...base, ...withParents(id)]));

if (process.argv.includes("--write")) writeFileSync(KEPT, `${JSON.stringify(sizes, null, 2)}\n`);
const kept = JSON.parse(readFileSync(KEPT, "utf8"));
const grown = Object.entries(sizes).filter(([name, kb]) => kb > (kept[name] ?? 0) * (1 + GROWTH) + 0.5);
for (const [name, kb] of grown)
  console.error(
    `${name}: ${kb} KB, ${kept[name] ?? "nothing"} before. Make it lighter, or write the figures: node scripts/screen-sizes.mjs --write`,
  );
if (sizes.base > MOST_BASE) console.error(`What every screen loads is ${sizes.base} KB; the limit is ${MOST_BASE}.`);
const largest = Object.entries(sizes).sort((a, b) => b[1] - a[1])[0];
console.log(`base ${sizes.base} KB, ${Object.keys(sizes).length - 1} screens, the largest ${largest.join(" ")} KB`);
process.exitCode = grown.length > 0 || sizes.base > MOST_BASE ? 1 : 0;
