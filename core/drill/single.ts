/**
 * One feed against many answers without a text for each pair: words and frame are read once, then
 * only the exchange itself is checked.
 */
import { checkCue, cueOf } from "../exchange/cue.ts";
import { plainFeed } from "../exchange/feed.ts";
import { checkExchange, type Setting } from "../exchange/exchange.ts";
import { prepare } from "./prepare.ts";
import { launchFeed } from "../exchange/launch.ts";
import { atTempo } from "./late.ts";
import type { Blow, CheckedExchange, Feed } from "../exchange/types.ts";
import type { World } from "../body/state.ts";
import type { Header } from "../score/header.ts";
import { RowMemory } from "../score/row-memory.ts";
import { linesOf } from "../score/structure.ts";
import type { Line } from "../score/types.ts";
import type { Usage } from "../customs/customs.ts";
import { doneFrom } from "../read/stance.ts";
import type { DoneBeat } from "../read/types.ts";
import type { LineReader } from "../read/line-reader.ts";

/** A feed in its frame, ready to be answered. */
export interface Fed {
  readonly feed: Feed;
  readonly header: Header;
  readonly world: World;
  readonly setting: Setting;
  readonly reader: LineReader;
}

/** The same few feeds, answers and headers are read over and over. */
const memory = new RowMemory();

/** Reads `A jab` under header rows; null where it is no feed that can be read. */
export function readFed(context: readonly string[], feed: string, usage: Usage): Fed | null {
  const score = memory.read([...context, "", feed].join("\n"));
  const line = [...linesOf(score.items)][0];
  if (!line) return null;
  const { header, frameFor, reader } = prepare(score, usage, {});
  const { world } = frameFor([line]);
  const done = firstDone(line.line, reader, world);
  if (!done) return null;
  const { actor, beat } = done;
  const use = beat?.uses.find((u) => (u.move.attack ?? u.move.energy) !== undefined || cueOf(u) !== null);
  if (!use) return null;
  return {
    header,
    world,
    reader,
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
export function readAnswer(fed: Fed, text: string): DoneBeat | null {
  const line = [...linesOf(memory.read(`${fed.feed.receiver} ${text}`).items)][0];
  const done = line && firstDone(line.line, fed.reader, fed.world);
  return done?.alone ? done.beat : null;
}

/** The blow of a feed as it comes, from its frame; null for a push or pull. */
export const blowOf = (fed: Fed): Blow | null =>
  fed.feed.use.move.attack ? launchFeed(fed.feed, fed.world, fed.header.range).blow : null;

/** Checks one answer to a feed from its frame. */
export function checkSingle({ feed, world, setting, header }: Fed, answer: DoneBeat): CheckedExchange {
  if (cueOf(feed.use) !== null) return checkCue(feed, [answer], world, setting).exchange;
  return atTempo(checkExchange(feed, answer, world, setting).exchange, header);
}

/** The first beat of the first turn as its maker would do it from the frame; null where it cannot be read. */
function firstDone(line: Line, reader: LineReader, world: World) {
  const { plays, faults } = reader.read(line);
  const read = plays[0]?.turns[0]?.alternatives[0]?.[0];
  if (!read || faults.length > 0) return null;
  const done = doneFrom(read, world[read.actor]!, reader.vocabulary);
  const [beat, ...others] = done.beats;
  return !beat || done.faults.length > 0 ? null : { actor: read.actor, beat, alone: others.length === 0 };
}
