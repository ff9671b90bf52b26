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
  const found = idleRules(score, { header, reader });
  const beginners = /\bbeginn/i.test(header.level ?? "");
  const leaving =
    customs.leaving === "always" || (customs.leaving === "self-protection" && header.context === "self-protection");
  if ((!beginners && !leaving) || header.kind === "solo") return found;
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

/** “touch first” is about pushes: where somebody has it and pushes nobody, it changes nothing, which is said. */
function idleRules(score: Score, { header, reader }: Pick<Prepared, "header" | "reader">): FindingDraft[] {
  const asked = header.actors.filter((actor) => header.rules[actor].has("touch first"));
  if (asked.length === 0) return [];
  const pushes = new Set<string>();
  for (const { line } of linesOf(score.items))
    for (const { turns } of reader.read(line).plays)
      for (const { actor, beats } of turns.flatMap(({ alternatives }) => alternatives.flat()))
        if (beats.some(({ parts }) => parts.some(({ meaning }) => meaning?.use.move.energy))) pushes.add(actor);
  return asked
    .filter((actor) => !pushes.has(actor))
    .flatMap((actor) => {
      const row = score.rows.find(({ content: { body } }) => {
        const key = body.kind === "header" ? body.key.text.toLowerCase().replace(/\s+/g, " ") : "";
        return key === `rules ${actor.toLowerCase()}`;
      });
      if (!row) return [];
      return [draft(row, { from: 0, to: 5 }, "header", { code: "idle-rule", key: "touch first", actor })];
    });
}

const usesIn = (done: ReadPlay["turns"][number]["alternatives"][number]): MoveUse[] =>
  (done[0]?.beats ?? []).flatMap(({ parts }) => parts.flatMap(({ meaning }) => (meaning ? [meaning.use] : [])));

const attacks = (use: MoveUse): boolean => use.move.attack !== undefined && !use.feint;

/** The last thing done takes them away. */
const goesAway = (use: MoveUse | undefined): boolean =>
  use !== undefined && displacements(use).some(({ feet }) => feet?.asFar !== undefined || (feet?.back ?? 0) > 0);
