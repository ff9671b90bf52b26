/** Stances and guards by name: how somebody stands, and where the hands are, before anything is done. */
import data from "./postures.json" with { type: "json" };

/** A stance: how far the ankles are apart along the line to the partner and across it, m for 1.75 m. */
export interface StanceData {
  readonly names: readonly string[];
  readonly length: number;
  readonly width: number;
  /** How long the feet take from it, share of the usual time. */
  readonly feet: number;
}

/** A forearm in the frontal plane: u beside the middle, w up, shares of H. */
interface GuardArm {
  readonly elbow: Readonly<Record<"u" | "w", number>>;
  readonly knuckles: Readonly<Record<"u" | "w", number>>;
}

/** What a guard closes or opens. */
export type GuardedPart = "head" | "body" | "leg";

/** A guard: shares of the usual time that the hands take from it. */
export interface GuardData {
  readonly names: readonly string[];
  readonly hands: { readonly high: number; readonly mid: number; readonly low: number };
  readonly strikes: number;
  /** Where forearm and hand of each arm are; null: in nobody's way. */
  readonly arms: Readonly<Record<"lead" | "rear", GuardArm>> | null;
  /** What it closes, and where to go instead; both empty where there is nothing to say of it. */
  readonly covers: Readonly<Partial<Record<GuardedPart, boolean>>>;
  readonly opens: Readonly<Partial<Record<GuardedPart, boolean>>>;
  /** The hands come back there after they have worked; otherwise they come to the usual one. */
  readonly home: boolean;
}

/** All stances. */
export const STANCES: readonly StanceData[] = data.stances;
/** All guards. */
export const GUARDS: readonly GuardData[] = data.guards;

const named = <T extends { readonly names: readonly string[] }>(all: readonly T[], name: string): T | null =>
  all.find(({ names }) => names.includes(name)) ?? null;

/** The stance of a name in lower case; null where there is none. */
export const stanceNamed = (name: string): StanceData | null => named(STANCES, name);
/** The guard of a name in lower case; null where there is none. */
export const guardNamed = (name: string): GuardData | null => named(GUARDS, name);

/** The stance where none is written. */
export const USUAL_STANCE = STANCES[0]!;
/** The guard where none is written. */
export const USUAL_GUARD = GUARDS[0]!;
