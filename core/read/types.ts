/** What words come to mean on their way through this room: as read, and as done from a stance. */
import type { Actor, Line, Span } from "../score/types.ts";
import type { Person, Side } from "../score/person.ts";
import type { PartName } from "../words/part-names.ts";
import type { Angle, NumberedRole } from "../words/numbering.ts";
import type { Height, Move } from "../words/types.ts";
import type { LookupContext } from "../words/vocabulary.ts";

/** A side by name or by the foot in front. */
export type SideWord = Side | "lead" | "rear";
/** A way that a movement goes. */
export type Way = "in" | "out" | "back" | "forward" | Side;

/** A part of a body with its side. */
export interface PartRef {
  readonly part: PartName;
  readonly side: SideWord | null;
  /** The own one, not the partner's. */
  readonly own?: true;
  /** Each of the two. */
  readonly both?: true;
}

/** One move as it is done here: the move with its modifiers. */
export interface MoveUse extends Span {
  readonly move: Move;
  readonly text: string;
  readonly side: SideWord | null;
  /** `L` or `R`: the hand that does it, whatever side words mean for the move. */
  readonly hand: Side | null;
  readonly height: Height | null;
  readonly way: Way | null;
  readonly degrees: number | null;
  /** `to PART`, for blows and pushes. */
  readonly target: PartRef | null;
  /** `on PART`, for contact moves: the other person's part. */
  readonly on: PartRef | null;
  /** `at C`: who receives it, where three work. */
  readonly at: Actor | null;
  readonly feint: boolean;
  /** It goes onto a pad: `on pad` for this blow, `on pads` behind the last for all of its turn. */
  readonly pad: "this" | "all" | null;
  /** Which way a pad that is held looks. */
  readonly facing: "front" | "in" | "down" | null;
  /** Which version and which count of a contact cycle; null: the usual one, the next one. */
  readonly version: string | null;
  readonly count: number | null;
  readonly commitment: "committed" | "probing" | null;
  readonly intercept: boolean;
  /** Length in beats. */
  readonly length: number;
}

/** A word that cannot be read, with its rule and place. */
export interface WordFault extends Span {
  readonly rule: "unknown-move" | "not-modelled" | "bad-move" | "syntax";
  readonly code: string;
  readonly params: Readonly<Record<string, string>>;
  readonly nearest: readonly string[];
}

/** What the words of one person can mean: what they hold and wear, the drill's kind, tradition and numbering. */
export interface WordContext extends LookupContext {
  readonly numbering: string;
}

/** How somebody stands when they do what the words say. */
export interface Stance {
  readonly lead: Side;
  /** The hand that holds the weapon, or would. */
  readonly weaponSide: Side;
  /** What they hold by then; left out where nothing can have changed. */
  readonly body?: { readonly person: Pick<Person, "holds"> };
}

/** What a part means before anybody stands anywhere. */
export type Meaning =
  | { readonly kind: "move"; readonly use: MoveUse }
  /** A move of a numbering set: which one it is depends on the hand that does it. */
  | { readonly kind: "numbered"; readonly use: MoveUse; readonly role: NumberedRole; readonly angle: Angle };

/** A part of a beat, resolved; null where its words mean nothing. */
export interface ReadPart extends Span {
  readonly meaning: Meaning | null;
}

/** A beat with its words resolved. */
export interface ReadBeat extends Span {
  /** As typed. */
  readonly text: string;
  readonly parts: readonly ReadPart[];
}

/** What one person does in an alternative; where both act it is read for each. */
export interface ReadBeats extends Span {
  readonly actor: Actor;
  readonly context: WordContext;
  readonly beats: readonly ReadBeat[];
}

/** A turn with its words read. */
export interface ReadTurn extends Span {
  readonly actor: Actor | "both";
  /** For each alternative what is done, by one or by both. */
  readonly alternatives: readonly (readonly ReadBeats[])[];
}

/** One thing that a line stands for: itself, or one number of its range. */
export interface ReadPlay extends Span {
  readonly meets: boolean;
  readonly turns: readonly ReadTurn[];
}

/** A line of play with its words resolved: everybody named, every beat a move with its modifiers. */
export interface ReadLine {
  readonly line: Line;
  readonly plays: readonly ReadPlay[];
  readonly faults: readonly WordFault[];
}

/** A beat as it is done from a stance. */
export interface DoneBeat extends Span {
  /** As typed. */
  readonly text: string;
  /** True where a part of it could not be read, or cannot be done from here. */
  readonly faulty: boolean;
  readonly uses: readonly MoveUse[];
}

/** Beats of one person as they stand, with what cannot be done from there. */
export interface Done {
  readonly beats: readonly DoneBeat[];
  readonly faults: readonly WordFault[];
}
