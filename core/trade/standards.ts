/**
 * Standard answers by what comes: what instructors give first, and what they never give. It ranks; the checker
 * decides what holds.
 */
import data from "./standards.json" with { type: "json" };
import { takenPart } from "../exchange/limbs.ts";
import type { Blow } from "../exchange/types.ts";
import { isArmPart, PARTS } from "../body/parts.ts";
import type { MoveUse } from "../read/types.ts";
import type { Person } from "../score/person.ts";

/** The answers that instructors give to a class of feeds. */
export interface Standard {
  readonly feed: FeedClass;
  /** What the one who answers holds; nothing said: whatever it is. */
  readonly holds?: string;
  /** The two lead with other sides: front hand against front hand, the rear straight first; nothing said: however. */
  readonly leads?: "opposite";
  /** The school of movement whose own answers these are; nothing said: all others. */
  readonly tradition?: string;
  readonly answers: readonly string[];
  readonly never?: readonly string[];
  /** What is given as well; where this stands, nothing else is. */
  readonly only?: readonly string[];
}
/** A class of feeds that are answered alike. */
export type FeedClass = keyof typeof data.feeds;
/** What a class is called, a feed of it to try answers against, and where it stands in a list. */
export const FEED_CLASSES: Readonly<
  Record<FeedClass, { readonly says: string; readonly sample: string; readonly group: string }>
> = data.feeds;
/** The shipped standards. */
export const STANDARDS = data.classes as readonly Standard[];

/** Names one standard among all: the class of the feed, what is held against it, whose answers they are. */
export const standardKey = ({ feed, holds, leads, tradition }: Omit<Standard, "answers" | "never" | "only">): string =>
  [feed, holds && `holding ${holds}`, leads && `${leads} leads`, tradition].filter(Boolean).join(", ");

/** A school's own answers by the key of the standard that they take the place of. */
export type OwnStandards = Readonly<Record<string, readonly string[]>>;

/** The standards with a school's own order; what it teaches is nothing that is never given. */
export const standardsWith = (own: OwnStandards): readonly Standard[] =>
  STANDARDS.map((standard) => {
    const answers = own[standardKey(standard)];
    if (!answers) return standard;
    return { ...standard, answers, never: (standard.never ?? []).filter((one) => !answers.includes(one)) };
  });

/** A feed of a standard's class and the header rows under which it comes. */
export function sampleOf({ feed, holds, leads, tradition }: Standard): {
  readonly context: readonly string[];
  readonly feed: string;
} {
  const { sample, group } = FEED_CLASSES[feed];
  const [stick, knife] = ["holds stick 71 cm", "holds training knife 28 cm"];
  const thrown = group === "weapons" ? (feed.startsWith("blade") ? knife : stick) : null;
  const held = holds === "stick" ? stick : holds === "blade" ? knife : null;
  return {
    context: [
      group === "pushes" ? "kind: sensitivity" : "",
      tradition ? `tradition: ${tradition}` : "",
      thrown ? `A: ${thrown}` : "",
      held ? `B: ${held}` : leads ? "B: lead right" : "",
    ].filter((row) => row !== ""),
    feed: sample,
  };
}

/** What of a list an answer is: its place among the standard ones, one that is never given, or neither. */
export interface Rank {
  /** From 0; null where it is none of them. */
  readonly place: number | null;
  readonly never: boolean;
}

/** What comes at somebody, from whom, in a drill of which tradition. */
interface Coming {
  readonly use: MoveUse;
  /** null for pushes and holds. */
  readonly blow: Blow | null;
  readonly feeder: Person;
  readonly answerer: Person;
  readonly tradition: string | null;
}

/** The standards for what comes; null where the trade has none. */
export function standardFor(
  { use, blow, feeder, answerer, tradition }: Coming,
  standards: readonly Standard[] = STANDARDS,
): Standard | null {
  const feed = blow ? blowClass(blow) : contactClass(use);
  const own = `hold ${use.move.id}`;
  const held = answerer.holds === null ? "nothing" : answerer.holds.kind === "stick" ? "stick" : "blade";
  const named = blow ? undefined : standards.find((one) => one.feed === own);
  if (named) return named;
  const fits = standards.filter((one) => one.feed === feed && (one.holds === undefined || one.holds === held));
  const plain = fits.filter((one) => one.tradition === undefined);
  const opposite = feeder.lead !== answerer.lead;
  return (
    fits.find((one) => one.tradition !== undefined && one.tradition === tradition) ??
    plain.find((one) => one.leads !== undefined && opposite) ??
    plain.find((one) => one.leads === undefined) ??
    null
  );
}

/** Returns the place of an answer among a standard, and whether nobody gives it. */
export const rankIn = (standard: Standard | null, text: string): Rank => {
  const place = standard?.answers.indexOf(text) ?? -1;
  if (!standard || place >= 0) return { place: place < 0 ? null : place, never: false };
  const { never = [], only } = standard;
  return { place: null, never: never.includes(text) || only?.includes(text) === false };
};

const heightOf = ({ zone }: Blow): "high" | "mid" | "low" =>
  zone === "head" || zone === "neck" ? "high" : zone === "chest" || zone === "belly" || zone === "hips" ? "mid" : "low";

/** Upward part of a direction from which on a blow rises or falls rather than comes round. */
const STEEP = 0.7;

function wayOf(from: Blow["from"]): "straight" | "falling" | "rising" | "round" {
  if (!from) return "straight";
  if (Math.abs(from.w) <= STEEP) return "round";
  return from.w > 0 ? "falling" : "rising";
}

/** The class of feed that a blow belongs to, by its way, its tool and its height: those of one class are answered alike. */
export function blowClass(blow: Blow): string {
  const { from, tool } = blow;
  const height = heightOf(blow);
  if (blow.path === "shoot") return height === "low" && blow.zone.startsWith("shin") ? "shot low" : "shot";
  const way = wayOf(from);
  if (tool === "blade") return way === "straight" ? "blade thrust" : "blade arc";
  if (tool === "stick" || tool === "butt")
    return way === "straight" ? "weapon thrust" : way === "round" ? `weapon arc ${height}` : `weapon ${way}`;
  if (tool === "knee") return `knee ${height === "high" ? "high" : "mid"}`;
  if (blow.limb === "leg") return `kick ${way === "rising" ? "straight" : way} ${height}`;
  if (tool === "elbow" && height === "high" && way === "round") return "elbow high";
  if (way === "straight" && height === "high") {
    const lead = blow.feed.use.move.limb.startsWith("lead")
      ? blow.feed.use.side !== "rear"
      : blow.feed.use.side === "lead";
    return `${lead ? "lead" : "rear"} straight high`;
  }
  return way === "round" ? `hook ${height}` : `${way} ${height}`;
}

function contactClass(use: MoveUse): string {
  if (use.move.cue) return `cue ${use.move.cue}`;
  const direction = use.move.energy?.direction;
  if (!direction) return holdClass(use);
  if (direction === "gone") return "gone";
  const [u, w, d] = direction;
  if (d <= -0.5) return onArm(use) ? "press" : "push";
  if (Math.abs(u) > 0.5) return "across";
  if (d >= 0.5) return "pull";
  return w > 0 ? "lift" : "weight";
}

/** The arm is pressed, not the body. */
const onArm = (use: MoveUse): boolean => use.target === null && isArmPart(takenPart(use));

function holdClass(use: MoveUse): string {
  const part = takenPart(use);
  if (part === "wrist" || part === "hand" || part === "forearm") return "hold wrist";
  if (isArmPart(part)) return "hold arm";
  const { zone } = PARTS[part];
  if (zone === "head" || zone === "neck") return "hold head";
  return part === "shoulder" ? "hold shoulder" : "hold body";
}
