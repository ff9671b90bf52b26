/** What screens show: shapes of their own, filled by the server from what the database holds. */
import type { PlanRung } from "#core/class/plan-rung.ts";
import type { EveningShape } from "#core/class/template.ts";
import type { ClassTemplate } from "#db/class-templates.ts";
import type { PlanInput, PlanPerson } from "#core/class/plan.ts";
import type { KeptPlan } from "#db/classes.ts";
import type { QrCode } from "./share/token.ts";
import type { RungWords } from "#core/class/rung-words.ts";
import type { RungRoles } from "#core/class/roles.ts";
import type { Age } from "#core/pairs/ages.ts";
import type { Member } from "#core/people/person.ts";

/** What screens show as the database has it. They take it from here, never from there. */
export type { ShownAccount } from "#db/accounts.ts";
export type { ClassAdults, Help } from "#db/class-adults.ts";
export type { FloorItems, FloorNews, NewMark } from "#db/floor.ts";
export type { FloorQuestion } from "#db/floor-questions.ts";
export type { Incident, NewIncident } from "#db/incidents.ts";
export type { LogMark, LogRow } from "#db/log.ts";
export type { LogSums, Tally, ThemeTally } from "#db/log-sums.ts";

type ScoreVerdict = "sound" | "risky" | "broken";

/** A member of the school on a screen. */
export interface PersonView extends Member {
  /** On the day that the screen is about. */
  readonly age: Age;
  readonly version: number;
  readonly archived: boolean;
}

/** A class on a screen. */
interface LessonView {
  readonly id: string;
  /** `2026-11-25` */
  readonly held_on: string;
  readonly title: string;
  readonly minutes: number;
  readonly theme: string;
  /** `19:00:00` */
  readonly starts_at: string;
  readonly ladder_id: string | null;
  readonly version: number;
}

export interface LadderView {
  readonly id: string;
  readonly drill_id: string;
  readonly title: string;
  readonly rungs: number;
}

/** A rung with what the log needs to know of it. */
export interface RungChoice extends PlanRung, RungRoles {
  readonly revisionId: string;
  readonly drillId: string;
  /** What made it of the rung before; null where it stands for itself. */
  readonly operator: string | null;
}

/** What is kept of a plan, as a screen shows it. */
type PlanView = Omit<KeptPlan, "revisions">;

/** A link that shows a class on a phone. */
export interface PhoneLink {
  readonly address: string;
  /** When it ends, as an ISO 8601 moment. */
  readonly until: string;
  /** First names stand in it. */
  readonly names: boolean;
  readonly qr: QrCode;
  /** Nobody but this machine reaches it. */
  readonly isHereOnly: boolean;
}

export interface PlanPage {
  readonly lesson: LessonView;
  readonly people: readonly PlanPerson[];
  readonly ladders: readonly LadderView[];
  readonly drills: readonly { readonly id: string; readonly title: string }[];
  /** What is trained: a ladder, or a drill with its variations. */
  readonly chosen: {
    readonly ladder: string | null;
    readonly drill: string;
    readonly second: string | null;
    /** Part of the drill that the ladder is made of; null: all of it. */
    readonly part: string | null;
  };
  /** The evening before on the same ladder: its day, and the rung that it got to, from 0. */
  readonly carried: {
    readonly day: string;
    readonly rung: number;
    readonly steps: NonNullable<PlanInput["steps"]>;
  } | null;
  /** Parts of the drill, by the names of its sections. */
  readonly parts: readonly string[];
  readonly rungs: readonly RungChoice[];
  /** What is said with each rung. */
  readonly words: readonly RungWords[];
  readonly kept: PlanView | null;
  /** The frame of the template that it was made with; null: none. */
  readonly shape: EveningShape | null;
  /** Rounds that have been run or are under way, and what of the plan stays by that. */
  readonly started: number;
  readonly frozen: PlanInput["frozen"];
  readonly wishes: PlanInput["wishes"];
  readonly met: Readonly<Record<string, number>>;
  readonly gear: Readonly<Record<string, number>>;
  /** Its day is past: what was trained then stays as it was. */
  readonly over: boolean;
  /** Everybody of the evening, those who have left too. */
  readonly names: Readonly<Record<string, string>>;
}

export interface PairView {
  readonly id: string;
  readonly names: readonly {
    readonly actor: "A" | "B" | "C";
    readonly id: string;
    readonly name: string;
    readonly age: Age;
    readonly limits: readonly string[];
  }[];
  readonly why: string;
  readonly drillId: string;
  readonly revisionId: string;
  readonly title: string;
  readonly text: string;
  readonly verdict: ScoreVerdict;
  /** Distance of the two centres at the start, m. */
  readonly distance: number;
  /** Somebody is held in it: the tap is said. */
  readonly taps: boolean;
  /** What the checker says for these two that matters: errors first. */
  readonly notes: readonly string[];
}

export interface TermPerson {
  readonly id: string;
  readonly name: string;
  /** Classes attended, and different partners met, this term. */
  readonly classes: number;
  readonly partners: number;
  readonly most: { readonly name: string; readonly times: number } | null;
}
export interface TermPage {
  readonly classes: readonly (LessonView & { readonly here: number; readonly clash: readonly string[] })[];
  readonly people: readonly TermPerson[];
  readonly templates: readonly ClassTemplate[];
  readonly today: string;
  /** How many things were deleted and can be brought back. */
  readonly deleted: number;
}

/** How a change of the settings ended. */
export type SettingsResult =
  | { readonly kind: "saved"; readonly version: number }
  | { readonly kind: "stale"; readonly message: string }
  | { readonly kind: "refused"; readonly message: string; readonly errors: readonly string[] };

/** Stored verdicts that are being worked out again. */
export interface JudgingView {
  readonly done: number;
  readonly total: number;
}

/** What one search over everything found, a few of each kind. */
export interface FoundView {
  /** `row`: the row by which it was found, where that was not the title. */
  readonly drills: readonly { readonly id: string; readonly title: string; readonly row: string | null }[];
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly classes: readonly { readonly id: string; readonly title: string; readonly date: string }[];
  /** `by`: the name by which it was found. */
  readonly moves: readonly { readonly id: string; readonly name: string; readonly by: string }[];
  /** The words to write instead of some that the tool knows and does not judge. */
  readonly instead: string | null;
}
