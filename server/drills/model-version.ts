/** The version of all that a verdict rests on: a hash over the sources and data of the check, made when it is built. */
import { readFileSync } from "node:fs";

let known: string | null = null;

/** As `scripts/model-version.mjs` wrote it; without a build there is none. */
export function modelVersion(): string {
  if (known !== null) return known;
  try {
    known = readFileSync("build/model-version.txt", "utf8").trim();
  } catch {
    known = "unbuilt";
  }
  return known;
}
