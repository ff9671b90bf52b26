/** What the pages of drills and ladders are made of, for whoever may read them. */
import { getDrill, listNewestTexts } from "#db/drills.ts";
import { listLadders, listRungs } from "#db/ladders.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { settingsOf } from "../school/school-of.ts";
import type { ReadRung } from "./drill-page.ts";

/** A drill as it is now; null where it is not there. */
export async function readDrill(scope: Scope, id: string): Promise<ReadRung | null> {
  const found = await getDrill(db, scope, id);
  if (!found) return null;
  const { text, verdict } = found.revision;
  const [words] = await compute("words", [{ text, operator: null }], await settingsOf(scope));
  return { title: found.drill.title, text, changed: "", words: words!, isBroken: verdict === "broken" };
}

/** A ladder from the easiest rung up; null where it is not there. */
export async function readLadder(
  scope: Scope,
  id: string,
): Promise<{ readonly title: string; readonly rungs: readonly ReadRung[] } | null> {
  const [ladders, rows] = await Promise.all([listLadders(db, scope), listRungs(db, scope, id)]);
  if (rows.length === 0) return null;
  const words = await compute(
    "words",
    rows.map(({ text, operator }) => ({ text, operator })),
    await settingsOf(scope),
  );
  const rungs = rows.map(({ title, text, changed }, i) => ({
    title,
    text,
    changed,
    words: words[i]!,
    isBroken: false,
  }));
  return { title: ladders.find((one) => one.id === id)?.title ?? "Ladder", rungs };
}

/** All drills of the school, each read alone. */
export async function readAll(scope: Scope): Promise<readonly (ReadRung & { readonly id: string })[]> {
  const rows = await listNewestTexts(db, scope);
  const settings = await settingsOf(scope);
  const read: (ReadRung & { readonly id: string })[] = [];
  for (const { id, title, text, verdict } of rows) {
    const [words] = await compute("words", [{ text, operator: null }], settings);
    read.push({ id, title, text, changed: "", words: words!, isBroken: verdict === "broken" });
  }
  return read;
}
