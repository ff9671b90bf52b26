/** A drill that is chosen for an evening gets its ladder on the spot: made, kept with it, and used again the next time. */
import { randomUUID } from "node:crypto";
import { getDrill } from "#db/drills.ts";
import { createLadder, listLadders, type NewRung } from "#db/ladders.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { sectionAlone, sectionsOf } from "#core/score/edit.ts";
import { parse } from "#core/score/parse.ts";
import { compute } from "../checks/pool.ts";
import { refused, type Refusal } from "../web/respond.ts";
import { settingsOf } from "../school/school-of.ts";

/** What the ladder of a drill, or of a part of it, is called. */
export const eveningTitle = (title: string, part: string | null): string =>
  `${part === null ? title : `${title}: ${part}`}, for an evening`;

/** The ladder of a drill or of a part of it as it is now: the newest that there is, else a new one. */
export async function ladderFor(
  scope: Scope,
  drillId: string,
  part: string | null = null,
): Promise<{ readonly id: string } | Refusal> {
  const found = await getDrill(db, scope, drillId);
  if (!found) return refused("This drill is not here any more. Choose another.");
  const score = parse(found.revision.text);
  const parts = sectionsOf(score).map((name) => eveningTitle(found.drill.title, name));
  const title = eveningTitle(found.drill.title, part);
  const known = (await listLadders(db, scope)).find(
    (one) =>
      one.drill_id === drillId && one.current && (part === null ? !parts.includes(one.title) : one.title === title),
  );
  if (known) return { id: known.id };
  const rows = part === null ? null : sectionAlone(score, part, {});
  if (part !== null && !rows)
    return refused(`This drill has no part “${part}” any more. Choose another, or all of it.`);
  const settings = await settingsOf(scope);
  const made = await compute("ladder", { text: rows ? rows.join("\n") : found.revision.text }, settings);
  if (!made.ok) return refused(`${made.message} Mend the drill at the desk, or choose another.`);
  const rungs = await Promise.all(
    made.rungs.map(async ({ text, title, operator }): Promise<NewRung> => ({
      id: randomUUID(),
      input: await compute("revision", { id: randomUUID(), text }, settings),
      lineage: {
        parentRevisionId: found.revision.id,
        operator,
        parameters: {},
        seed: LADDER_DEFAULTS.seed,
        changed: title,
      },
    })),
  );
  const id = randomUUID();
  const done = await createLadder(scope, { id, drillId, title }, rungs);
  return done === "made" ? { id } : refused("This ladder is being made in another window. Load the page again.");
}
