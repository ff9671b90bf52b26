/** Sums what the browser must load for a page, gzipped, signed in as SESSION says: node first-load.mjs URL LIMIT_KB */
import { gzipSync } from "node:zlib";

const [, , url, limit] = process.argv;
const html = await (await fetch(url, { headers: { cookie: process.env.SESSION ?? "" } })).text();
const paths = new Set([...html.matchAll(/(?:src|href)="(\/assets\/[^"]+\.(?:js|css))"/g)].map((m) => m[1]));
for (const m of html.matchAll(/import (?:\* as \w+ from )?"(\/assets\/[^"]+\.js)"/g)) paths.add(m[1]);
let total = gzipSync(html).length;
for (const path of paths) {
  const text = await (await fetch(new URL(path, url))).text();
  total += gzipSync(text).length;
}
const kb = Math.round(total / 1024);
console.log(`${paths.size} files, ${kb} kB gzipped; the limit is ${limit} kB`);
process.exitCode = kb <= Number(limit) ? 0 : 1;
