/**
 * What the trade usually does: data in the words of the notation, with one schema. Nothing here decides a
 * verdict. A school's own moves take part by what they are like.
 */
import { nameKey } from "../words/name-key.ts";
import data from "./trade.json" with { type: "json" };
import { array, boolean, number, object, string } from "yup";
import { type Vocabulary } from "../words/vocabulary.ts";
import { keptFor } from "../base/bounded.ts";

/** A way to leave when it is done. */
interface Exit {
  readonly text: string;
  /** It only closes the door behind what was sent back. */
  readonly behindReturn: boolean;
  /** What changes, as an instructor would say it. */
  readonly says: string;
}

interface Trade {
  /** What a club lays out first: what it throws, what it answers with. */
  readonly book: { readonly feeds: readonly string[]; readonly answers: readonly string[] };
  /** Answers that a responder tries first, whatever comes. */
  readonly defences: readonly string[];
  /** What a class returns with first. */
  readonly returns: readonly string[];
  /** What bare hands return with outside the gym. */
  readonly openReturns: readonly string[];
  /** What a repair puts before or in place of a blow: out of a hold from behind, backwards, to get room, before a push. */
  readonly repairs: {
    readonly turns: string;
    readonly backwards: string;
    readonly leaves: string;
    readonly touches: string;
  };
  /** Blows that take the line of what comes. */
  readonly stopHits: readonly string[];
  /** What follows blows of the other kind at the end. */
  readonly finishes: { readonly hands: readonly string[]; readonly legs: readonly string[] };
  readonly exits: readonly Exit[];
  /** What else ends it: who has left does nothing more. */
  readonly leaves: readonly string[];
  /** Set-ups by which partners come back to where they were. */
  readonly waysBack: readonly string[];
  /** First words of how somebody stands or holds the hands: nothing is done by it. */
  readonly postures: readonly string[];
  /** Strokes of a weapon that cycles are made of, and moves that cycles of empty hands are. */
  readonly strokes: readonly string[];
  readonly cycleMoves: readonly string[];
  /** How a companion that a move needs in the same beat is written. */
  readonly companions: { readonly forward: string; readonly lowered: string; readonly aside: string };
  readonly changeHands: string;
  /** The thrust that is put into a cycle of strokes, and how it is met. */
  readonly thrust: { readonly feed: string; readonly answer: string };
  /** The stance in which it is harder to yield. */
  readonly narrowStance: string;
  /** How somebody comes into a running cycle, and how the other frees the weapon. */
  readonly entry: { readonly takes: string; readonly frees: string };
  /** What somebody begins with of their own accord. */
  readonly openings: { readonly hands: string; readonly weapon: string };
  /** What is shown before a blow: of the lead hand, of any other limb, of a weapon. */
  readonly lures: { readonly leadHand: string; readonly other: string; readonly weapon: string };
  /** The stroke from the other side, by name. */
  readonly otherStroke: Readonly<Record<string, string>>;
  /** What is written where no answer is known. */
  readonly lastResort: string;
  /** What an own move starts from when nothing is chosen. */
  readonly ownMoveStart: string;
  /** On pads: what comes behind a blow of each hand, how many there are at most, how the holder swings and what meets it. */
  readonly pads: {
    readonly next: { readonly lead: string; readonly rear: string };
    readonly most: number;
    readonly swing: string;
    readonly under: string;
  };
  /** One feed of each kind, to ask a frame about. */
  readonly samples: { readonly hands: string; readonly stick: string; readonly push: string };
}

const text = string().trim().min(1).max(80).required();
const texts = array(text).min(1).required();
/** The shape of the file; that its texts are moves is tested. */
export const tradeSchema = object({
  about: text.max(400),
  book: object({ feeds: texts, answers: texts }).noUnknown(),
  defences: texts,
  returns: texts,
  openReturns: texts,
  repairs: object({ turns: text, backwards: text, leaves: text, touches: text }).noUnknown(),
  stopHits: texts,
  finishes: object({ hands: texts, legs: texts }).noUnknown(),
  exits: array(object({ text, behindReturn: boolean().required(), says: text }).noUnknown())
    .min(1)
    .required(),
  leaves: texts,
  waysBack: texts,
  postures: texts,
  strokes: texts,
  cycleMoves: texts,
  companions: object({ forward: text, lowered: text, aside: text }).noUnknown(),
  changeHands: text,
  thrust: object({ feed: text, answer: text }).noUnknown(),
  narrowStance: text,
  entry: object({ takes: text, frees: text }).noUnknown(),
  openings: object({ hands: text, weapon: text }).noUnknown(),
  lures: object({ leadHand: text, other: text, weapon: text }).noUnknown(),
  otherStroke: object(),
  lastResort: text,
  ownMoveStart: text,
  pads: object({
    next: object({ lead: text, rear: text }).noUnknown(),
    most: number().min(2).max(8).required(),
    swing: text,
    under: text,
  }).noUnknown(),
  samples: object({ hands: text, stick: text, push: text }).noUnknown(),
}).noUnknown();

/** The lists of the trade. */
export const TRADE: Trade = data;
/** What most clubs feed. */
export const USUAL_FEEDS: ReadonlySet<string> = new Set(TRADE.book.feeds);

/** Names of own moves by the names of the moves that they are like, longest first. */
const likes = new WeakMap<Vocabulary, readonly (readonly [like: string, own: string])[]>();

function likesOf(vocabulary: Vocabulary): readonly (readonly [string, string])[] {
  return keptFor(likes, vocabulary, () =>
    [...vocabulary.moves.values()]
      .filter((move) => move.own && move.like !== undefined)
      .flatMap((own) => {
        const model = [...vocabulary.moves.values()].find((move) => move.id === own.like);
        const names = Object.values(model?.names ?? {}).flat();
        return names.map((name) => [nameKey(name), own.name] as const);
      })
      .sort(([a], [b]) => b.length - a.length),
  );
}

/** A list of the trade with a school's own moves behind those that they are like. */
export function withOwn(list: readonly string[], vocabulary: Vocabulary): readonly string[] {
  const own = likesOf(vocabulary);
  if (own.length === 0) return list;
  const all = list.flatMap((entry) => {
    const found = own.filter(([like]) => ` ${nameKey(entry)} `.includes(` ${like} `));
    return [entry, ...found.map(([like, name]) => ` ${nameKey(entry)} `.replace(` ${like} `, ` ${name} `).trim())];
  });
  return [...new Set(all)];
}

/** The same stroke from the other side, where the trade has one; null otherwise. */
export function fromOtherSide(feed: string): string | null {
  for (const [one, other] of Object.entries(TRADE.otherStroke))
    if (` ${feed} `.includes(` ${one} `)) return ` ${feed} `.replace(` ${one} `, ` ${other} `).trim();
  return null;
}
