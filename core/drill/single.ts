/**
 * One feed against many answers without a text for each pair: words and frame are read once, then
 * only the exchange itself is checked.
 */
import { plainFeed } from "../exchange/feed.ts";
import { checkExchange, type Setting } from "../exchange/exchange.ts";
import { prepare } from "./prepare.ts";
import { launchFeed } from "../exchange/launch.ts";
import { atTempo } from "./late.ts";
import { resolveContext } from "../read/context.ts";
import type { Blow, CheckedExchange, Feed } from "../exchange/types.ts";
import { cloneWorld, type World } from "../body/state.ts";
import type { Header } from "../score/header.ts";
import { RowMemory } from "../score/row-memory.ts";
import { linesOf } from "../score/structure.ts";
import type { Actor } from "../score/types.ts";
import type { Usage } from "../customs/customs.ts";
import { resolveAlternative, type ResolvedBeat } from "../read/resolve.ts";

/** A feed in its frame, ready to be answered. */
export interface Fed {
  readonly feed: Feed;
  readonly header: Header;
  readonly world: World;
  readonly setting: Setting;
}

/** The same few feeds, answers and headers are read over and over. */
const memory = new RowMemory();

/** Reads `A jab` under header rows; null where it is no feed that can be read. */
export function readFed(context: readonly string[], feed: string, usage: Usage): Fed | null {
  const score = memory.read([...context, "", feed].join("\n"));
  const line = [...linesOf(score.items)][0];
  const turn = line?.line.turns[0];
  if (!line || !turn) return null;
  const { header, frame: world } = prepare(score, usage, {});
  const actor: Actor = turn.actor === "B" ? "B" : "A";
  const { beats, faults } = resolveAlternative(
    turn.alternatives[0]!,
    usage.vocabulary,
    resolveContext(world[actor]!, header),
  );
  const beat = beats[0];
  const use = beat?.uses.find((u) => u.move.attack ?? u.move.energy);
  if (!beat || !use || faults.length > 0) return null;
  return {
    header,
    world,
    feed: plainFeed({ use, row: line.row, actor, receiver: actor === "A" ? "B" : "A", beatUses: beat.uses }),
    setting: {
      header,
      usage,
      choices: 1,
      label: null,
      section: null,
      pass: null,
    },
  };
}

/** Reads an answering beat as the receiver of a feed would do it; null where it cannot be read. */
export function readAnswer(fed: Fed, text: string, usage: Usage): ResolvedBeat | null {
  const line = [...linesOf(memory.read(`${fed.feed.receiver} ${text}`).items)][0];
  const alternative = line?.line.turns[0]?.alternatives[0];
  if (!alternative) return null;
  const context = resolveContext(fed.world[fed.feed.receiver]!, fed.header);
  const { beats, faults } = resolveAlternative(alternative, usage.vocabulary, context);
  return faults.length > 0 || beats.length !== 1 ? null : beats[0]!;
}

/** The blow of a feed as it comes, from its frame; null for a push or pull. */
export const blowOf = (fed: Fed): Blow | null => launchFeed(fed.feed, cloneWorld(fed.world), fed.header.range).blow;

/** Checks one answer to a feed from its frame. */
export const checkSingle = (fed: Fed, answer: ResolvedBeat): CheckedExchange =>
  atTempo(checkExchange(fed.feed, answer, cloneWorld(fed.world), fed.setting), fed.header);
