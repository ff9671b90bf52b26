/** A drill that is chosen for an evening gets its ladder on the spot: made, kept with it, and used again the next time. */
import { randomUUID } from "node:crypto";
import { getDrill } from "#db/drills.ts";
import { createLadder, listLadders, type NewRung } from "#db/ladders.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import { LADDER_DEFAULTS } from "#core/ladder/ladder-options.ts";
import { compute } from "./checks/pool.ts";
import { refused, type Refusal } from "./respond.ts";
import { settingsOf } from "./school-of.ts";

/** The ladder of a drill as it is now: the newest that there is, else a new one. */
export async function ladderFor(scope: Scope, drillId: string): Promise<{ readonly id: string } | Refusal> {
  const known = (await listLadders(db, scope)).find((one) => one.drill_id === drillId && one.current);
  if (known) return { id: known.id };
  const found = await getDrill(db, scope, drillId);
  if (!found) return refused("This drill is not here any more. Choose another.");
  const settings = await settingsOf(scope);
  const made = await compute("ladder", { text: found.revision.text }, settings);
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
  const done = await createLadder(scope, { id, drillId, title: `${found.drill.title}, for an evening` }, rungs);
  return done === "made" ? { id } : refused("This ladder is being made in another window. Load the page again.");
}
