/** Writes each script and style of the build beside itself as it is sent, once and as small as it goes (RFC 7932, RFC 1952). */
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";

const FOLDER = "build/client/assets";
/** Files that get smaller: texts, and fonts that are not compressed already. */
const LARGE = /\.(?:js|css|svg|ttf)$/;

let [raw, sent, files] = [0, 0, 0];
for (const name of readdirSync(FOLDER).filter((one) => LARGE.test(one))) {
  const text = readFileSync(join(FOLDER, name));
  const small = brotliCompressSync(text, {
    params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY },
  });
  writeFileSync(join(FOLDER, `${name}.br`), small);
  writeFileSync(join(FOLDER, `${name}.gz`), gzipSync(text, { level: 9 }));
  [raw, sent, files] = [raw + text.length, sent + small.length, files + 1];
}
console.log(`${files} files, ${Math.round(raw / 1000)} KB, sent as ${Math.round(sent / 1000)} KB`);
