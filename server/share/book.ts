/** The drill book: a folder of plain pages that any web server or a stick can hold. */
import type { Scope } from "#db/scope.ts";
import { drillBody } from "./drill-page.ts";
import { escaped, htmlPage, STYLE } from "./html.ts";
import { readAll } from "./read.ts";
import { schoolName } from "../school/school-of.ts";

const LINK = `<link rel="stylesheet" href="style.css">`;

/** A file name that every system takes, and that is only once in the book. */
function fileOf(title: string, id: string): string {
  const words = title
    .normalize("NFKD")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 60);
  return `${words || "drill"}-${id.slice(-6)}.html`;
}

/** The files of the book by their names; `ids`: of these drills alone, null for all. */
export async function drillBook(scope: Scope, ids: readonly string[] | null): Promise<ReadonlyMap<string, string>> {
  const [school, all] = await Promise.all([schoolName(scope), readAll(scope)]);
  const drills = all.filter(({ id }) => ids === null || ids.includes(id));
  const files = new Map<string, string>([["style.css", STYLE]]);
  const back = `<nav><a href="index.html">All drills</a></nav>`;
  for (const drill of drills)
    files.set(fileOf(drill.title, drill.id), htmlPage(drill.title, back + drillBody(drill, school, "drill"), LINK));
  const links = drills.map(({ title, id }) => `<li><a href="${fileOf(title, id)}">${escaped(title)}</a></li>`).join("");
  const title = `Drill book of ${school}`;
  const empty = drills.length === 0 ? "<p>There is no drill in it yet.</p>" : "";
  files.set("index.html", htmlPage(title, `<h1>${escaped(title)}</h1>${empty}<ul>${links}</ul>`, LINK));
  return files;
}
