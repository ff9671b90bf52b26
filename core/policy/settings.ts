/** What a school sets for itself, as it is stored and passed on: plain JSON, every key may be left out. */
import { array, number, object, string, ValidationError } from "yup";
import { CUSTOMS, type Customs } from "../customs/customs.ts";
import { LOAD_PARTS, type LoadWeights } from "../customs/load-parts.ts";
import { CONTEXTS } from "../score/header.ts";
import type { RuleId, Severity } from "../findings/rules.ts";
import type { Verdict } from "../exchange/types.ts";
import type { NumberingSet } from "../words/numbering.ts";
import { standardKey, STANDARDS, type OwnStandards } from "../trade/standards.ts";
import { MOST_DELETED } from "./deleted-moves.ts";
import { STAGES, type Stage } from "./stages.ts";
import { PAIR_PARTS, weightText, type PairWeights } from "./pair-weights.ts";
import { partNamed } from "../words/part-names.ts";
import { HEIGHTS, TRADITIONS, type MoveData, type Tradition } from "../words/types.ts";

/** How grave a school finds a rule; `off`: it is not said at all. */
export type RuleSetting = Severity | "off";

/** A pair of moves that the school judges by itself, whatever the geometry says. */
export interface Ruling {
  readonly feed: string;
  readonly answer: string;
  readonly verdict: Exclude<Verdict, "unread">;
  readonly reason: string;
}

/** Questions on which traditions differ: what the check reads of them, and what only screens and ladders do. */
export interface SchoolCustoms extends Customs {
  /** Which names are shown; all are understood when typed. */
  readonly names: Tradition;
  readonly hookFist: "upright" | "flat";
  /** In which order a ladder brings things in. */
  readonly stages: readonly Stage[];
  /** What a page of a minor that is handed over says: what they trained, that and how it went, or nothing. */
  readonly minorsPage: "trained" | "marks" | "nothing";
  /** Speed and power: slowly first, or full from the start. */
  readonly power: "slow first" | "full";
}
/** The shipped customs of a school. */
export const SCHOOL_CUSTOMS: SchoolCustoms = {
  ...CUSTOMS,
  names: "english",
  hookFist: "upright",
  stages: ["parts", "pairs", "chains", "variety", "tempo", "uncertainty", "force"],
  power: "slow first",
  minorsPage: "trained",
};

/** The moves that the answer book lays out: what the school throws and what it answers with. */
export interface BookChoice {
  readonly feeds: readonly string[];
  readonly answers: readonly string[];
}

/** The settings of a school as they are stored. */
export interface SchoolData {
  readonly moves?: readonly MoveData[];
  readonly numbering?: readonly NumberingSet[];
  readonly severity?: Readonly<Partial<Record<RuleId, RuleSetting>>>;
  readonly rulings?: readonly Ruling[];
  readonly customs?: Partial<SchoolCustoms>;
  readonly load?: Partial<LoadWeights>;
  readonly pairing?: Partial<PairWeights>;
  readonly book?: BookChoice;
  /** What is taught first against a class of feeds, where the school has an order of its own. */
  readonly standards?: OwnStandards;
  /** Moves of its own that were taken out, the last one first; they mean nothing, and can be brought back. */
  readonly deletedMoves?: readonly MoveData[];
}
/** The keys of the settings of a school. */
export const SCHOOL_KEYS = [
  "moves",
  "numbering",
  "severity",
  "rulings",
  "customs",
  "load",
  "pairing",
  "book",
  "standards",
  "deletedMoves",
] as const;

const texts = array(string().trim().min(1).max(80).required()).max(500);
const customs = object({
  names: string().oneOf(TRADITIONS),
  pads: string().oneOf(["opposite", "same"]),
  hookFist: string().oneOf(["upright", "flat"]),
  numbering: string().trim().min(1).max(40),
  context: string().oneOf(CONTEXTS).nullable(),
  rooting: string().oneOf(["risky", "valid"]),
  minors: string().oneOf(["strict", "own"]),
  beginnersFeeds: number().oneOf([2, 3, 4, 6]),
  leaving: string().oneOf(["self-protection", "always", "never"]),
  stages: array(string().oneOf(STAGES).required())
    .length(STAGES.length)
    .test("each-once", "${path} must name each stage once", (value) => !value || new Set(value).size === value.length),
  power: string().oneOf(["slow first", "full"]),
  minorsPage: string().oneOf(["trained", "marks", "nothing"]),
}).noUnknown("${path} has keys that are not known: ${unknown}");
/** A part may weigh nothing, and at most this much a unit. */
export const MOST_WEIGHT = 5;
const load = object(Object.fromEntries(LOAD_PARTS.map((part) => [part, number().min(0).max(MOST_WEIGHT)]))).noUnknown(
  "${path} has parts that are not known: ${unknown}",
);
const pairing = object(
  Object.fromEntries(PAIR_PARTS.map((part) => [part, number().min(0).max(weightText(part).most)])),
).noUnknown("${path} has parts that are not known: ${unknown}");
const book = object({ feeds: texts.required(), answers: texts.required() }).noUnknown();
const angle = object({
  line: string().oneOf(["arc", "thrust", "overhead", "upward"]).required(),
  side: string().oneOf(["left", "right"]).nullable().defined(),
  height: string().oneOf(HEIGHTS).required(),
  part: string()
    .required()
    .test("part", "${path} is no part of the body", (value) => partNamed(value) !== null),
})
  .noUnknown()
  .test("arc-side", "${path} is an arc and needs the side it comes to", (a) => a.line !== "arc" || a.side !== null);
const set = object({
  id: string()
    .matches(/^[a-z0-9][a-z0-9 ]{1,39}$/, "${path} must be lower-case letters, digits and blanks")
    .required(),
  name: string().trim().min(1).max(60).required(),
  moves: array(string().trim().min(1).required()).max(24),
  angles: array(angle).max(24),
})
  .noUnknown()
  .test("filled", "${path} needs moves or angles", (s) => (s.moves?.length ?? 0) + (s.angles?.length ?? 0) > 0);

/** Checks one part of the settings; gives what is wrong with it, empty when nothing is. */
function faultsOf(
  schema: { validateSync: (value: unknown, options: object) => unknown },
  name: string,
  value: unknown,
) {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false });
    return [];
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    return error.errors.map((text) => `${name}: ${text}`);
  }
}

/** Returns the faults of customs in words. */
export const customsFaults = (value: unknown): string[] => faultsOf(customs, "customs", value);
/** Returns the faults of load weights in words. */
export const loadFaults = (value: unknown): string[] => faultsOf(load, "load", value);
/** Returns the faults of pairing points in words. */
export const pairingFaults = (value: unknown): string[] => faultsOf(pairing, "pairing", value);
/** Returns the faults of the choice for the answer map in words. */
export const bookFaults = (value: unknown): string[] => faultsOf(book, "book", value);
// They are looked at as moves when they are brought back.
const deletedMoves = array(object({ id: string().required() }).required()).max(MOST_DELETED);
/** Returns the faults of deleted moves in words. */
export const deletedMovesFaults = (value: unknown): string[] => faultsOf(deletedMoves, "deletedMoves", value);
const STANDARD_KEYS = new Set(STANDARDS.map(standardKey));
/** At most so many answers are taught against one class of feeds. */
export const MOST_STANDARDS = 12;
const answersTo = array(string().trim().min(1).max(80).required()).min(1).max(MOST_STANDARDS).required();
/** Returns the faults of own standards in words. */
export const standardsFaults = (value: unknown): string[] =>
  typeof value !== "object" || value === null || Array.isArray(value)
    ? ["standards: must be an object of lists of answers"]
    : Object.entries(value).flatMap(([key, answers]) =>
        STANDARD_KEYS.has(key)
          ? faultsOf(answersTo, `standards: ${key}`, answers)
          : [`standards: there is no class of feeds “${key}”`],
      );
/** Returns the faults of numbering sets in words. */
export const numberingFaults = (value: unknown): string[] =>
  Array.isArray(value)
    ? value.flatMap((one, i) => faultsOf(set, `numbering: set ${i + 1}`, one))
    : ["numbering: must be a list of sets"];
