/** Sessions of the demo club, made at the database as an administrator would. */
import { execFileSync } from "node:child_process";

/** A cookie, `name=value`, of somebody in a role; `school`: of another school than the demo club. */
export const sessionOf = (role: string, school?: string): string =>
  execFileSync("bin/tool", ["session", role, "1", ...(school ? [school] : [])], { encoding: "utf8" }).trim();
