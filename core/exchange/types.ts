/** What the checker makes of one feed and its answer. */
import type { Metres, Millis, Share } from "../base/units.ts";
import type { FindingDraft } from "../findings/finding.ts";
import type { Side } from "../score/person.ts";
import type { Actor, Row, Span } from "../score/types.ts";
import type { HitZone } from "../body/body.ts";
import type { BodyState } from "../body/state.ts";
import type { MoveUse } from "../read/types.ts";
import type { Effect } from "../words/types.ts";

/** The verdict of an exchange. */
export type Verdict = "valid" | "risky" | "invalid" | "unread";

/** A feed: a blow, shot or energy, with what its maker does just before. */
export interface Feed {
  readonly use: MoveUse;
  readonly row: Row;
  readonly actor: Actor;
  readonly receiver: Actor;
  readonly isReturn: boolean;
  readonly beatUses: readonly MoveUse[];
  /** Steps and the like of its own beat that are done with it; those of an answering beat are done with the answer. */
  readonly companions: readonly MoveUse[];
  readonly before: readonly (readonly MoveUse[])[];
  /** What its maker does behind it, where nothing else follows in the turn. */
  readonly after: readonly (readonly MoveUse[])[];
  /** Where the receiver stood when it was begun: who went away since then has made it fall short. */
  readonly towards: Readonly<{ x: number; y: number }> | null;
  /** How many blows of its turn go before it. */
  readonly order: number;
  /** How far in front of its target it is met: by a pad, m. */
  readonly ahead: number;
  readonly onPad: boolean;
  /** Feeds behind it in its turn that only the answer to this one can deal with. */
  readonly unmet: number;
  /** Feints shown before it in its turn: each is one more thing that may come. */
  readonly feints: number;
  /** Three people have corners: the feeder goes to the person they attack with a step more. */
  readonly fromCorner: boolean;
  /** First feed of its line: the one whose step the distance is set for. */
  readonly first: boolean;
}

/** A feed as it comes at the receiver's body, in their frame: u right, w up, d towards the feeder. */
export interface Blow {
  readonly feed: Feed;
  readonly kind: "blow";
  readonly limb: "hand" | "leg" | "body";
  readonly side: Side;
  readonly path: "thrust" | "arc" | "shoot";
  /** A shot at one leg. */
  readonly oneLeg: boolean;
  /** It takes a leg away that can be drawn out of it. */
  readonly hooks: boolean;
  readonly tool: string;
  readonly weapon: { readonly kind: string; readonly length: number } | null;
  readonly zone: HitZone;
  readonly aim: { readonly u: number; readonly w: number; readonly d: number };
  readonly radius: number;
  /** Unit vector to where an arc comes from; null for a thrust. */
  readonly from: { readonly u: number; readonly w: number } | null;
  readonly clock: number | null;
  readonly runUp: number;
  readonly follow: number;
  /** Start of the line: the shoulder or hip it comes from. */
  readonly origin: { readonly u: number; readonly w: number; readonly d: number };
  readonly incoming: Side;
  /** Own step it takes, and how far the tip goes past the surface. */
  readonly step: number;
  /** How far its maker came before it by written steps, m: it takes time as well. */
  readonly walked: number;
  /** How long it takes against the usual: from hands that are down, longer. */
  readonly slower: number;
  readonly spare: number;
  readonly tip: number;
  readonly drive: number;
  /** Missing reach (positive: it falls short even with the step). */
  readonly missing: number;
  readonly tooClose: boolean;
  /** A leg that does not get as high as its target, with these two bodies. */
  readonly tooHigh: boolean;
  readonly landsWithoutStep: boolean;
}

/** One way in which an answer deals with a feed. */
export interface Layer {
  readonly use: MoveUse;
  readonly by:
    | "displace"
    | "interpose"
    | "deflect"
    | "pass"
    | "jam"
    | "energy"
    | "deny"
    | "seize"
    | "cut"
    | "intercept"
    | "meet"
    | "strike"
    | "cue"
    | "none";
  /** Positive: it covers, by this much. m. */
  readonly margin: Metres;
  readonly fails: null | "open" | "material" | "companion" | "resisting" | "locked" | "late";
  /** Words for the message: what is hit, what meets what. */
  readonly detail: Readonly<Record<string, string>>;
  readonly bareLimb: boolean;
}

/** Times at full speed, ms: first sign to contact, the answer's way, reaction. */
export interface Times {
  /** First sign to contact, own step included. */
  readonly contact: Millis;
  readonly movement: Millis;
  readonly reaction: Millis;
  /** How many different things may come, feints counted. */
  readonly choices: number;
}

interface ReturnThrown {
  readonly use: MoveUse;
  readonly lands: boolean;
  /** How the partner shows that it landed; null where it moves nobody. */
  readonly reaction: Effect | null;
}

/** How a follow-up fares. */
export type FollowUpState = "open" | "covered" | "obstructed" | "out of sector" | "out of reach";
/** A blow that could come next, with its threat from 0 to 1. */
export interface FollowUp {
  readonly move: string;
  readonly limb: "lead hand" | "rear hand" | "lead leg" | "rear leg";
  readonly state: FollowUpState;
  /** 0 to 1. */
  readonly threat: number;
}

/** Where a pad is held for a blow, from the holder's own centre: to their right, up, forward, m. */
export interface PadPlace {
  readonly blow: string;
  readonly side: Side;
  readonly u: number;
  readonly w: number;
  readonly d: number;
}

/** A body as a drawing needs it. */
export interface Pose {
  readonly actor: Actor;
  readonly x: number;
  readonly y: number;
  readonly lead: Side;
  readonly weight: "lead" | "rear" | "even";
  readonly head: { readonly u: number; readonly w: number; readonly d: number };
  readonly pinned: readonly Side[];
}

/** A feed with its answer, judged. */
export interface CheckedExchange extends Span {
  readonly row: Row;
  readonly label: string | null;
  readonly section: string | null;
  readonly pass: number | null;
  readonly feed: MoveUse | null;
  readonly feedText: string;
  readonly feeder: Actor;
  /** All that is done in the answering beat, blows of the same beat included. */
  readonly beat: readonly MoveUse[];
  /** The parts of it that answer. */
  readonly answer: readonly MoveUse[];
  /** The answer as it is written: what is done at once joined by `+`, one after the other by commas. */
  readonly answerText: string;
  readonly responder: Actor;
  /** The place of the answering beat in the row; null where nobody answers. */
  readonly answerSpan: Span | null;
  readonly verdict: Verdict;
  readonly margin: Metres | null;
  readonly robust: number;
  readonly ceiling: Share | null;
  /** What the ceiling rests on, ms at full speed. */
  readonly times: Times | null;
  readonly layers: readonly Layer[];
  /** Where it leaves the head against a straight hand blow; null for other feeds. */
  readonly ends: "outside" | "inside" | "on the line" | null;
  /** What the answerer sends back, in order. */
  readonly returns: readonly ReturnThrown[];
  readonly followUps: readonly FollowUp[];
  /** Pads that are held in it, one for each blow. */
  readonly pads: readonly PadPlace[];
  /** A sentence about it: the points of contact of a count; null where there is none. */
  readonly says: string | null;
  readonly findings: readonly FindingDraft[];
  /** The feed landed, and the answer is what is done from there. */
  readonly lands?: true;
  /** It may come at any time: behind which words of the drill it is hardest, and in which row. */
  readonly anyTime?: { readonly after: string; readonly row: Row | null };
  readonly blow: Blow | null;
  /** The bodies at the moment of contact: what a drawing of floor and target is made from. */
  readonly contact: Contact | null;
  readonly before: readonly Pose[];
  readonly after: readonly Pose[];
}

/** The bodies at the moment of contact. */
export interface Contact {
  readonly attacker: BodyState;
  /** The receiver after their movement, and what their feet did in the frame of the blow, m. */
  readonly receiver: BodyState;
  readonly right: number;
  readonly forward: number;
  /** Hands of the receiver that are at work. */
  readonly busy: readonly Side[];
}
