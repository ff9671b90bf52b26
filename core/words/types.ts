/**
 * What a move is: data, no code. Lengths in metres for a person of 1.75 m unless a field says
 * `share of H` (share of stature); times in ms at full speed; angles in degrees.
 */
import type { Side } from "../score/person.ts";

export type { Side };

/** The roles of a move in a turn. */
export const ROLES = ["feed", "answer", "return", "setup"] as const;
/** A role of a move. */
export type Role = (typeof ROLES)[number];

/** The traditions that give names. */
export const TRADITIONS = ["english", "filipino", "cantonese", "japanese", "thai", "boxing"] as const;
/** A tradition. */
export type Tradition = (typeof TRADITIONS)[number];

/** The limbs that do a move. */
export const LIMBS = [
  "lead hand",
  "rear hand",
  "weapon hand",
  "off hand",
  "incoming hand",
  "both hands",
  "lead leg",
  "rear leg",
  "incoming leg",
  "body",
] as const;
type LimbRule = (typeof LIMBS)[number];

/** The heights of a blow or block. */
export const HEIGHTS = ["high", "mid", "low"] as const;
/** A height. */
export type Height = (typeof HEIGHTS)[number];
/** One value, or one for each height word; the first key is the default height. */
export type ByHeight<T> = T | Partial<Record<Height, T>>;

/** The tools of a blow. */
export const TOOLS = [
  "fist",
  "palm",
  "fingers",
  "elbow",
  "shoulder",
  "foot",
  "shin",
  "knee",
  "stick",
  "butt",
  "blade",
  "pad",
  "grip",
  "body",
] as const;
type Tool = (typeof TOOLS)[number];

/** How a blow that lands moves the one who is hit. */
export const EFFECTS = ["head back", "head forward", "quarter turn", "knee gives", "sent away"] as const;
/** How a hit moves the one who is hit. */
export type Effect = (typeof EFFECTS)[number];

/** A blow, shot or throw at the other person. */
interface AttackData {
  readonly tool: Tool;
  /** thrust: a line in depth; arc: a strip along the clock line; shoot: a takedown entry. */
  readonly path: "thrust" | "arc" | "shoot";
  /** Where an arc comes from on the receiver's clock, for a right limb (9: their left). */
  readonly clock?: ByHeight<number>;
  readonly target: ByHeight<string>;
  /** Hand blows: share of the arm's length (a weapon's length is added); a bent arm that goes down reaches less. */
  readonly extension?: ByHeight<number>;
  /** Leg blows and shots: reach from the own centre, share of H. */
  readonly reach?: number;
  /** Turn of the trunk at contact as a feed and as a return: it brings the shoulder forward. */
  readonly turn?: number | { readonly lead: number; readonly rear: number };
  readonly turnReturn?: number | { readonly lead: number; readonly rear: number };
  /** Shots: how far they drive on past the first touch, m. */
  readonly drive?: number;
  /** Longest step the feeder takes by themselves with it, for a 1.75 m person. */
  readonly step?: number;
  /** Nearest distance of the two centres at which it can be thrown. */
  readonly minGap?: number;
  /** First sign to contact, own step not counted. */
  readonly contact: number;
  /** Contact to guard. */
  readonly recover: number;
  /** Foot that must be free to push (same or other side as the limb), and that carries afterwards. */
  readonly loads?: "same" | "other";
  readonly leaves?: "same" | "other";
  /** 0 probing to 1 all in. */
  readonly commitment: number;
  /** Turns the body so far that a `recover` is needed before the next blow. */
  readonly overTurns?: boolean;
  /** A shot at one leg: the other arm of the one who shoots is free to be held. */
  readonly oneLeg?: boolean;
  /** It takes one leg away without going in under the hips: the leg can be drawn out of it. */
  readonly hooks?: boolean;
  /** It gets to somebody who stands behind. */
  readonly backwards?: boolean;
  /** How a hit moves the one who is hit: the next blow of a chain meets them there. */
  readonly effect?: Effect;
}

/** Contact energies: what the feeder's touch does at the contact point, receiver's frame [u, w, d]. */
interface EnergyData {
  readonly direction: readonly [number, number, number] | "gone";
  readonly on: string;
  readonly contact: number;
}

/** The parts of the body that a movement displaces. */
export const BODY_PARTS = ["head", "chest", "belly", "hips", "legs"] as const;
/** How far each part of the body moves, m for 1.75 m. */
export type Moved = Partial<Record<(typeof BODY_PARTS)[number], number>>;

/** Segment [|u|, w] to [|u|, w], shares of H, on the covering side; negative u crosses the centre. */
export type SegmentData = readonly [number, number, number, number];
/** Region in shares of H where a hand can meet a line: [|u| from, |u| to, w from, w to]. */
export type BoxData = readonly [number, number, number, number];

/** The limbs and weapons that cover. */
export const COVER_LIMBS = ["hand", "forearm", "upper arm", "shin", "stick", "two-hand stick", "blade"] as const;
/** A limb or weapon that covers. */
export type CoverLimb = (typeof COVER_LIMBS)[number];

/** A way in which an answer deals with a feed. */
export type Mechanism =
  | {
      readonly by: "displace";
      readonly side?: Moved;
      readonly drop?: Moved;
      readonly back?: Moved;
      /** Steps: how far the feet go. `forward` is solved up to this length where it helps. */
      readonly feet?: {
        readonly back?: number;
        readonly side?: number;
        readonly forward?: number;
        /** A way back that goes as far as it needs: at least and at most; `back` where nothing comes. */
        readonly asFar?: readonly [number, number];
      };
      /** Turn of the whole body. */
      readonly turn?: number;
      /** Only the attacked leg moves, this far back. */
      readonly leg?: number;
      /** Where a move with no direction goes: see the defaults in the notation. */
      readonly way?: "evade" | "weave" | "word";
    }
  | {
      readonly by: "interpose";
      readonly limb: CoverLimb;
      readonly segments?: ByHeight<readonly SegmentData[]>;
      /** The limb is put onto the line by sight, anywhere in this region. */
      readonly box?: BoxData;
      /** In front of the body's centre. */
      readonly depth: number;
      readonly double?: boolean;
      /** Stops these tools alone: a frame on the hips a knee. */
      readonly only?: readonly string[];
      /** Which side it stands on when none is named. */
      readonly stands: "incoming" | "lead" | "rear" | "both";
    }
  | {
      readonly by: "deflect";
      readonly limb: CoverLimb;
      readonly push: "inward" | "outward" | "down" | "up";
      readonly box: ByHeight<BoxData>;
      /** Largest push it can give at 0.3 m in front, m. */
      readonly limit: number;
    }
  | { readonly by: "pass"; readonly to: "inside" | "outside"; readonly step: number }
  | { readonly by: "jam" }
  | { readonly by: "seize"; readonly part: "leg" }
  | { readonly by: "cut" }
  | {
      readonly by: "energy";
      /** How the contact point goes: a direction, round the spine, with the energy, or against it. */
      readonly goes: readonly [number, number, number] | "turn" | "with" | "against" | "through";
      readonly keeps: boolean;
      /** It lets the push run through and gives no way: some call that giving, some do not. `down`: only what comes from above. */
      readonly receives?: true | "down";
    }
  /** Nothing is done: it holds against what does not get there. */
  | { readonly by: "none" }
  /** `oneLeg`: only against a shot at one leg, which leaves an arm to hold. */
  | { readonly by: "deny"; readonly line: 1 | 2 | 3; readonly oneLeg?: true };

interface ContactData {
  readonly kind: "pin" | "grip" | "touch" | "clear" | "break";
  /** Part taken when none is named. */
  readonly on: string;
  /** Part of an attacking limb is taken: the hand or leg that came. */
  readonly incoming?: boolean;
  /** It is taken from behind: what works to the front does nothing about it. */
  readonly behind?: boolean;
}

/** Kinds of cues: what tells the partner to act without attacking. */
export const CUES = ["pad", "approach", "opening", "call", "shot", "cycle"] as const;
/** A kind of cue. */
export type Cue = (typeof CUES)[number];

/** The companions that a move may need in its beat. */
export const COMPANIONS = ["forward", "lowered"] as const;
type Companion = (typeof COMPANIONS)[number];

/** A blow that a free limb is taken to follow up with: how it is written, which limb, at which height. */
interface FollowUpData {
  readonly as: string;
  readonly side: "lead" | "rear";
  readonly height?: Height;
}

/** A move as its data hold it. */
export interface MoveData {
  readonly id: string;
  readonly names: Partial<Record<Tradition, readonly string[]>>;
  readonly group: string;
  readonly roles: readonly Role[];
  readonly limb: LimbRule;
  /** What a side word means: the limb, the covered side, a way to go, or nothing. */
  readonly sides: "limb" | "cover" | "way" | "none";
  /** The limb belongs to the move: a lead cross contradicts itself. */
  readonly fixedSide?: true;
  /** What must be held in the acting hand. */
  readonly needs?: "stick" | "blade" | "weapon" | "empty" | "two sticks" | "pad";
  readonly heights?: readonly Height[];
  readonly attack?: AttackData;
  readonly energy?: EnergyData;
  readonly answer?: readonly Mechanism[];
  readonly contact?: ContactData;
  /** It tells the partner to act; the kind of cue decides how it is answered. */
  readonly cue?: Cue;
  /** As a cue it asks for nothing: to stay is right. */
  readonly asksNothing?: true;
  /** Names that mean this only with `on PART`: a bare tap means stop. */
  readonly onlyOn?: readonly string[];
  /** A count of a contact cycle: the partner answers with a move of the same one. */
  readonly cycle?: string;
  /** Time until the target is clear or the cover stands. */
  readonly move?: number;
  /** What a companion in the same beat must do: bring the feet forward, or lower the body. */
  readonly requires?: Companion;
  /** It turns to whoever is behind. */
  readonly faces?: boolean;
  /** Needs a `recover` before a standing blow. */
  readonly goesDown?: boolean;
  /** Whoever is hit by it may go to the floor: it wants mats. */
  readonly fells?: boolean;
  /** Both feet leave the floor. */
  readonly jumps?: boolean;
  /** Brings the body down on bent knees, where a post can be put in. */
  readonly lowers?: boolean;
  /** Brings hands and balance back. */
  readonly restores?: boolean;
  /** Changes the lead side, or the hand that holds the weapon. */
  readonly changes?: "stance" | "hands";
  /** The blow whose own step sets a striking range. */
  readonly setsRange?: "punch" | "kick" | "weapon";
  /** It is looked at as what comes next when the limb is free. */
  readonly followsUp?: readonly FollowUpData[];
  /** A stance or guard that they go into: a name of `core/score/postures.json`. */
  readonly takes?: { readonly stance?: string; readonly guard?: string };
  /** Turns round the order in which people come: nobody does it, it is called. */
  readonly reverses?: true;
  /** How the fist is held in it is a custom of the school. */
  readonly fistByCustom?: true;
  /** A move of the school: the id of the one whose place it can take wherever the trade names that. */
  readonly like?: string;
  /** Standard strike, block or counter of the numbering set. */
  readonly numbered?: "strike" | "block" | "counter";
  readonly opens?: boolean;
  /** It takes what the partner holds. */
  readonly disarms?: boolean;
  /** What is learned before the whole of it, each an answer by itself: the turn before the hook on the turn. */
  readonly parts?: readonly string[];
  readonly coaching: readonly string[];
  readonly faults: readonly string[];
  readonly cautions?: readonly string[];
}

declare const moveId: unique symbol;
/** The id of a move. */
export type MoveId = string & { readonly [moveId]: true };
/** A move, ready for use. */
export interface Move extends Omit<MoveData, "id"> {
  readonly id: MoveId;
  readonly name: string;
  /** A move the school added itself. */
  readonly own: boolean;
}
