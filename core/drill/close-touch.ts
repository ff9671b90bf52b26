/** Close touch: what stands for it with minors and with whoever asks, and what minors are not held by at all. */
import data from "./close-touch.json" with { type: "json" };
import type { Prepared } from "./prepare.ts";
import { limbKind } from "../exchange/blow.ts";
import { undoesHold } from "../exchange/limbs.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import { partnerOf } from "../read/line-reader.ts";
import type { MoveUse, ReadTurn } from "../read/types.ts";
import type { Header } from "../score/header.ts";
import { linesOf } from "../score/structure.ts";
import type { Actor, Score } from "../score/types.ts";
import { partNamed } from "../words/part-names.ts";

const PARTS: Readonly<Record<string, string>> = data.parts;
const MOVES: Readonly<Record<string, string>> = data.moves;
const NEVER: ReadonlySet<string> = new Set(data["not-for-minors"]);

/** Whoever is touched by others only where it is asked. */
const wantsDistance = ({ people }: Pick<Header, "people">, actor: Actor): boolean =>
  people[actor].minor || people[actor].noCloseTouch;

/** What is to be said of touches and holds in the lines of a score. */
export function closeTouch(score: Score, { header, reader }: Prepared, minors: "strict" | "own"): FindingDraft[] {
  const asked = header.actors.filter((actor) => wantsDistance(header, actor));
  if (asked.length === 0 || header.kind === "solo") return [];
  const found: FindingDraft[] = [];
  for (const { row, line } of linesOf(score.items))
    for (const { turns } of reader.read(line).plays)
      for (const { use, at, from, to } of turns.flatMap((turn, i) => touches(turn, turns[i - 1], header.actors))) {
        if (!asked.includes(at)) continue;
        const place = { from, to };
        if (minors === "strict" && header.people[at].minor && NEVER.has(use.move.id)) {
          const params = { code: "hold", actor: at, move: use.text, instead: MOVES[use.move.id] ?? "the sleeve" };
          found.push(draft(row, place, "minor", params));
          continue;
        }
        const instead = substitute(use);
        if (instead) found.push(draft(row, place, "close-touch", { actor: at, move: use.text, instead }));
      }
  return found;
}

/** What stands for a touch or hold; null where it is not close. */
function substitute(use: MoveUse): string | null {
  const { contact, energy } = use.move;
  const part = use.on?.part ?? use.target?.part ?? partNamed(contact?.on ?? energy?.on ?? "");
  return MOVES[use.move.id] ?? (part ? (PARTS[part] ?? null) : null);
}

interface Touch {
  readonly use: MoveUse;
  readonly at: Actor;
  readonly from: number;
  readonly to: number;
}

/** What somebody takes hold of, touches or pushes in a turn, and on whom. */
function touches(turn: ReadTurn, before: ReadTurn | undefined, actors: readonly Actor[]): Touch[] {
  const last = before && before.actor !== "both" ? before.actor : null;
  return turn.alternatives.flat().flatMap(({ actor, beats }) =>
    beats.flatMap(({ parts }) =>
      parts.flatMap(({ meaning, from, to }): Touch[] => {
        const use = meaning?.use;
        if (!use || use.on?.own) return [];
        const { contact, energy, attack } = use.move;
        const takes = (contact && !undoesHold(use.move)) ?? energy !== undefined;
        const shoots = attack?.path === "shoot" && MOVES[use.move.id] !== undefined;
        // A foot or a leg takes hold of nobody.
        if ((!takes && !shoots) || limbKind(use) === "leg") return [];
        return [{ use, at: use.at ?? partnerOf(actor, actors, last), from, to }];
      }),
    ),
  );
}
