/** What is said of whole rows and changes no verdict: too much for beginners, and nobody who leaves. */
import type { Prepared } from "./prepare.ts";
import type { Customs } from "../customs/customs.ts";
import { displacements } from "../exchange/move-body.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { MoveUse, ReadPlay } from "../read/types.ts";
import { linesOf } from "../score/structure.ts";
import type { Score } from "../score/types.ts";

/** Notes on the rows of a score. */
export function rowNotes(score: Score, { header, reader }: Prepared, customs: Customs): FindingDraft[] {
  const beginners = /\bbeginn/i.test(header.level ?? "");
  const leaving =
    customs.leaving === "always" || (customs.leaving === "self-protection" && header.context === "self-protection");
  if ((!beginners && !leaving) || header.kind === "solo") return [];
  const found: FindingDraft[] = [];
  for (const { row, line } of linesOf(score.items)) {
    const play = reader.read(line).plays[0];
    if (!play || play.meets) continue;
    const turns = play.turns.map((turn) => usesIn(turn.alternatives[0] ?? []));
    const count = (turns[0] ?? []).filter(attacks).length;
    if (beginners && count > customs.beginnersFeeds) found.push(draft(row, play, "too-many", { count }));
    const last = turns.at(-1);
    const actor = play.turns.at(-1)?.actor;
    if (leaving && turns.length > 1 && last?.some(attacks) && !goesAway(last.at(-1)) && actor)
      found.push(draft(row, play.turns.at(-1)!, "stays", { actor }));
  }
  return found;
}

const usesIn = (done: ReadPlay["turns"][number]["alternatives"][number]): MoveUse[] =>
  (done[0]?.beats ?? []).flatMap(({ parts }) => parts.flatMap(({ meaning }) => (meaning ? [meaning.use] : [])));

const attacks = (use: MoveUse): boolean => use.move.attack !== undefined && !use.feint;

/** The last thing done takes them away. */
const goesAway = (use: MoveUse | undefined): boolean =>
  use !== undefined && displacements(use).some(({ feet }) => feet?.asFar !== undefined || (feet?.back ?? 0) > 0);
