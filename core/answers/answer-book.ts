/** Every feed of a school against every answer: has it an answer for everything it throws? */
import { TRADE } from "../trade/trade.ts";
import { needsWeapon } from "../words/vocabulary.ts";
import { checkSingleFor } from "../policy/judge.ts";
import { readAnswer, readFed, type Fed } from "../drill/single.ts";
import type { VerdictName } from "../base/verdict-words.ts";
import type { CheckedExchange, Verdict } from "../exchange/types.ts";
import { isBareToBlade } from "../exchange/verdict.ts";
import { shownOf } from "../drill/shown.ts";
import { finish } from "../findings/finding.ts";
import type { School } from "../policy/school.ts";
import type { BookChoice } from "../policy/settings.ts";
import type { Side } from "../score/person.ts";
import { answerTexts, feedTexts, rankAnswers } from "./answers.ts";
import type { MoveUse, DoneBeat } from "../read/types.ts";
import { BOOK_SIDES, type Book, type BookFeed, type BookTool, type CellCode } from "./book.ts";

const CODE: Readonly<Record<Verdict, CellCode>> = { valid: "v", risky: "r", invalid: "x", unread: " " };

/** Returns the letter of a pair that was checked; bare hands that hold against a blade have one of their own. */
const codeOf = (e: CheckedExchange | null): CellCode =>
  e?.verdict === "valid" && isBareToBlade(e) ? "d" : CODE[e?.verdict ?? "unread"];

/** Lead or rear limb of a move that either can do; its usual one where nothing is said. */
const limbOf = ({ move, side }: Pick<MoveUse, "move" | "side">): string =>
  move.sides !== "limb" || move.fixedSide ? "" : (side ?? move.limb.split(" ")[0]!);

/** What counts as the same move in a pair: the move, its limb, its height, its target and the way it goes. */
export const pairKey = (use: Pick<MoveUse, "move" | "side" | "height" | "target" | "way">): string =>
  [
    [limbOf(use), use.move.id].filter(Boolean).join(" "),
    use.height ?? "",
    use.target?.part ?? "",
    use.way === "left" || use.way === "right" ? "" : (use.way ?? ""),
  ].join(":");

/** All that the vocabulary throws and answers with, for a school that has not chosen. */
export function wholeBook(school: School): BookChoice {
  const feeds: string[] = [];
  const answers: string[] = [];
  for (const move of school.vocabulary.moves.values()) {
    if (move.roles.includes("feed") && move.attack && !move.numbered) feeds.push(...feedTexts(move));
    answers.push(...answerTexts(move));
  }
  return { feeds, answers };
}

/** The tool of a feed by the data of its move. */
function toolOf({ move }: MoveUse): BookTool {
  const { attack } = move;
  if (attack?.path === "shoot") return "takedown";
  if (attack?.tool === "stick" || attack?.tool === "butt") return "stick";
  if (attack?.tool === "blade") return "blade";
  return move.limb.endsWith("leg") ? "leg" : "hand";
}

const HELD = { stick: "holds stick 71 cm", blade: "holds training knife 28 cm" } as const;

/** Header rows for a feed from a side: the feeder's lead and hand on the other side make it come from there. */
function contextFor(tool: BookTool, side: Side, answer: "bare" | "armed"): string[] {
  const held = tool === "stick" || tool === "blade" ? HELD[tool] : null;
  const hand = side === "left" ? "right" : "left";
  // The right hand's forehand comes to the left; an empty-hand lead jab of a left lead is a left limb.
  const feeder = held ? `A: ${hand} handed, lead ${hand}, ${held}` : `A: lead ${side}`;
  const answerer = held && answer === "armed" ? `B: ${held}` : "B: lead left";
  return [feeder, answerer, ...(tool === "takedown" ? ["mats: yes"] : [])];
}

/** The tool by the words alone: what it needs in the hand decides what A holds. */
function guessTool(text: string, school: School): BookTool | null {
  for (const held of [null, HELD.stick, HELD.blade]) {
    const fed = readFed(held ? [`A: ${held}`] : [], `A ${text}`, school);
    if (!fed) continue;
    const tool = toolOf(fed.feed.use);
    const holds = fed.header.people.A.holds;
    if ((tool === "stick" || tool === "blade") === (holds !== null)) return tool;
  }
  return null;
}

function rangeOf(tool: BookTool, distance: number): BookFeed["range"] {
  if (tool === "stick" || tool === "blade") return "weapon";
  if (distance < 0.9) return "close";
  return tool === "leg" ? "kick" : "punch";
}

/** A pair of contexts of a feed from one side: the answerer empty-handed and holding the same tool. */
interface Sides {
  readonly bare: Fed;
  readonly armed: Fed;
}

function sidesOf(text: string, tool: BookTool, side: Side, school: School): Sides | null {
  const bare = readFed(contextFor(tool, side, "bare"), `A ${text}`, school);
  if (!bare) return null;
  const weapon = tool === "stick" || tool === "blade";
  return { bare, armed: weapon ? (readFed(contextFor(tool, side, "armed"), `A ${text}`, school) ?? bare) : bare };
}

/** The key of a feed in pairs; null where it cannot be read. */
export function feedKeyOf(text: string, school: School): string | null {
  const tool = guessTool(text, school);
  const sides = tool && sidesOf(text, tool, "left", school);
  return sides && pairKey(sides.bare.feed.use);
}

interface Reader {
  readonly text: string;
  readonly group: string;
  readonly key: string;
  readonly needsWeapon: boolean;
  /** The beat as it is read in a context, kept by what the answerer holds and the kind of hand they lead with. */
  readonly beats: Map<string, DoneBeat | null>;
}

const contextKey = (fed: Fed): string => {
  const { lead, weaponSide, body } = fed.world[fed.feed.receiver]!;
  return `${lead}${weaponSide}${body.person.holds?.kind ?? ""}`;
};

function beatFor(reader: Reader, fed: Fed): DoneBeat | null {
  const key = contextKey(fed);
  const known = reader.beats.get(key);
  if (known !== undefined) return known;
  const beat = readAnswer(fed, reader.text);
  reader.beats.set(key, beat);
  return beat;
}

const armedBeat = (beat: DoneBeat): boolean => beat.uses.some((use) => needsWeapon(use.move));

/** Checks one pair: with a weapon in the answerer's hand where the answer needs one. */
function checkPair(sides: Sides, reader: Reader, school: School): CheckedExchange | null {
  const armed = beatFor(reader, sides.armed);
  if (armed && armedBeat(armed)) return sides.armed === sides.bare ? null : checkSingleFor(sides.armed, armed, school);
  if (reader.needsWeapon) return null;
  const bare = beatFor(reader, sides.bare);
  return bare && !armedBeat(bare) ? checkSingleFor(sides.bare, bare, school) : null;
}

function readersOf(answers: readonly string[], school: School): Reader[] {
  const stick = readFed(contextFor("stick", "left", "armed"), `A ${TRADE.samples.stick}`, school)!;
  const plain = readFed([], `A ${TRADE.samples.hands}`, school)!;
  return answers.flatMap((text): Reader[] => {
    const readings = [readAnswer(plain, text), readAnswer(stick, text)];
    // A word that means one thing with a stick and another without is that whose own name it is.
    const byName = readings.find((one) => one?.uses.every(({ move }) => text.includes(move.name)));
    const beat = byName ?? readings[0] ?? readings[1];
    const main = beat?.uses.find((u) => u.move.group !== "footwork") ?? beat?.uses[0];
    if (!beat || !main) return [];
    return [
      {
        text,
        group: main.move.group,
        key: beat.uses.map(pairKey).join("+"),
        needsWeapon: armedBeat(beat),
        beats: new Map(),
      },
    ];
  });
}

/** Computes the book feed by feed; yields the share done, so that the caller can breathe and cancel. */
export function* answerBook(choice: BookChoice, school: School): Generator<number, Book> {
  const readers = readersOf(choice.answers, school);
  const feeds: BookFeed[] = [];
  const feedKeys: string[] = [];
  const codes: [string, string][] = [];
  for (const [i, text] of choice.feeds.entries()) {
    yield i / choice.feeds.length;
    const tool = guessTool(text, school);
    const both = tool && BOOK_SIDES.map((side) => sidesOf(text, tool, side, school));
    const [left, right] = both ?? [];
    if (!tool || !left || !right) continue;
    const row = (sides: Sides) => readers.map((reader) => codeOf(checkPair(sides, reader, school))).join("");
    codes.push([row(left), row(right)]);
    const { A, B } = left.bare.world;
    const distance = Math.round(Math.hypot(A!.x - B!.x, A!.y - B!.y) * 100) / 100;
    feeds.push({ text, tool, distance, range: rangeOf(tool, distance) });
    feedKeys.push(pairKey(left.bare.feed.use));
  }
  return {
    feeds,
    answers: readers.map(({ text, group }) => ({ text, group })),
    codes,
    feedKeys,
    answerKeys: readers.map((r) => r.key),
  };
}

/** Why a pair comes out as it does, with what stays open. */
export interface BookReason {
  /** As it is shown. */
  readonly verdict: VerdictName;
  readonly marginCm: number | null;
  readonly words: string;
  readonly open: readonly string[];
  /** The school's own word on this pair, where it has one. */
  readonly ruled: boolean;
}

/** Looks at one pair again and says why; null where the answer cannot be done. */
export function bookReason(feed: string, answer: string, side: Side, school: School): BookReason | null {
  const tool = guessTool(feed, school);
  const sides = tool && sidesOf(feed, tool, side, school);
  const [reader] = readersOf([answer], school);
  const exchange = sides && reader ? checkPair(sides, reader, school) : null;
  if (!exchange) return null;
  const rank = { error: 0, risk: 1, note: 2 } as const;
  const ruling = exchange.findings.find((f) => f.rule === "ruling");
  const ruled = ruling !== undefined;
  const finding = ruling ?? [...exchange.findings].sort((a, b) => rank[a.severity] - rank[b.severity])[0];
  const best = exchange.layers.find((l) => l.fails === null);
  return {
    verdict: shownOf(exchange),
    marginCm: exchange.margin === null ? null : Math.round(exchange.margin * 1000) / 10,
    words: finding && (ruled || exchange.verdict !== "valid") ? finish(finding).message : best ? HOW[best.by] : "",
    ruled,
    open: exchange.followUps.filter((f) => f.state === "open").map((f) => f.move),
  };
}

const HOW: Readonly<Record<CheckedExchange["layers"][number]["by"], string>> = {
  displace: "It moves out of the way.",
  interpose: "It stands in the way.",
  deflect: "It pushes the attack aside.",
  pass: "It guides the attack past.",
  jam: "It is inside the swing.",
  energy: "It takes the pressure away.",
  deny: "It denies the entry.",
  seize: "It holds the leg.",
  cut: "It cuts the arm that attacks.",
  intercept: "It lands first.",
  meet: "It meets the attack.",
  strike: "It strikes what is shown.",
  cue: "It acts on the cue.",
  none: "It falls short: nobody has to move.",
};

/**
 * A drill that trains a pair, or that fills a hole: without an answer it takes the best one of the
 * whole vocabulary, bare-handed if there is one. Header rows say what both hold.
 */
export function drillFor(feed: string, answer: string | null, side: Side, school: School): string {
  const tool = guessTool(feed, school) ?? "hand";
  const best = (hands: "bare" | "armed") => rankAnswers(contextFor(tool, side, hands), `A ${feed}`, school, 1)[0]?.text;
  const text = answer ?? best("bare") ?? best("armed") ?? TRADE.lastResort;
  const [reader] = readersOf([text], school);
  const context = contextFor(tool, side, reader?.needsWeapon ? "armed" : "bare");
  const name = `${feed} met with ${text}`;
  return [`title: ${name[0]!.toUpperCase()}${name.slice(1)}`, ...context, "", `A ${feed} -> B ${text}`, ""].join("\n");
}
