/**
 * Writes the version of all that a verdict rests on: a hash over the code and data of the rooms that the
 * check consists of, without tests, comments and layout, so that words of a comment change no version.
 *   node scripts/model-version.mjs [FILE]     prints it where no file is given
 */
import { createHash } from "node:crypto";
import { readdirSync, readFileSync, writeFileSync, mkdirSync } from "node:fs";
import { dirname, join } from "node:path";
import { transformSync } from "@swc/core";

export const ROOMS = ["base", "score", "findings", "words", "customs", "body", "read", "exchange", "drill", "policy"];

/** Code as it counts: without types, comments and layout. */
export const essence = (name, source) =>
  name.endsWith(".json")
    ? JSON.stringify(JSON.parse(source))
    : transformSync(source, {
        filename: name,
        jsc: { parser: { syntax: "typescript" }, target: "es2022" },
        minify: true,
      }).code;

/** Files of the check below a folder, in order. */
export function filesOf(folder) {
  return readdirSync(folder, { withFileTypes: true })
    .flatMap((entry) => {
      const path = join(folder, entry.name);
      return entry.isDirectory() ? filesOf(path) : [path];
    })
    .filter((path) => /\.(ts|json)$/.test(path) && !/\.test\.ts$|\/testing\.ts$|practice-facts\.json$/.test(path))
    .sort();
}

export function modelVersion(root = "core") {
  const hash = createHash("sha256");
  for (const room of ROOMS)
    for (const path of filesOf(join(root, room)))
      hash.update(`${path}\n${essence(path, readFileSync(path, "utf8"))}\n`);
  return hash.digest("hex").slice(0, 16);
}

if (process.argv[1]?.endsWith("model-version.mjs")) {
  const file = process.argv[2];
  if (file) {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, `${modelVersion()}\n`);
  } else console.log(modelVersion());
}
