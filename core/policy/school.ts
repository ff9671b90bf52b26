/** What a school brings to a check: its words, what it finds grave, and what it rules by itself. */
import { isOneOf } from "../base/keys.ts";
import { nameKey } from "../words/name-key.ts";
import { type Usage } from "../customs/customs.ts";
import { LOAD_WEIGHTS, type LoadWeights } from "../customs/load-parts.ts";
import { PAIR_WEIGHTS, type PairWeights } from "./pair-weights.ts";
import { isRule, type RuleId, type Severity } from "../findings/rules.ts";
import { STANDARDS, standardsWith, type OwnStandards, type Standard } from "../trade/standards.ts";
import type { NumberingSet } from "../words/numbering.ts";
import { readMoves } from "../words/schema.ts";
import {
  bookFaults,
  deletedMovesFaults,
  standardsFaults,
  SCHOOL_CUSTOMS,
  customsFaults,
  loadFaults,
  pairingFaults,
  numberingFaults,
  SCHOOL_KEYS,
  type SchoolCustoms,
  type RuleSetting,
  type SchoolData,
  type Ruling,
} from "./settings.ts";
import { makeVocabulary, shippedVocabulary } from "../words/vocabulary.ts";

/** A school as the check knows it: words, grades, rulings, customs. */
export interface School extends Usage {
  readonly severity: Readonly<Partial<Record<RuleId, RuleSetting>>>;
  readonly rulings: readonly Ruling[];
  readonly customs: SchoolCustoms;
  /** What the school looks at when it pairs people. */
  readonly pairing: PairWeights;
  /** What it teaches first against each class of feeds. */
  readonly standards: readonly Standard[];
  /** Grades and rulings as one text; empty where the school has none of its own. */
  readonly key: string;
}

let shipped: School | null = null;
/** A school with nothing of its own. */
export const defaultSchool = (): School =>
  (shipped ??= {
    vocabulary: shippedVocabulary(),
    severity: {},
    rulings: [],
    customs: SCHOOL_CUSTOMS,
    load: LOAD_WEIGHTS,
    pairing: PAIR_WEIGHTS,
    standards: STANDARDS,
    key: "",
  });

type SchoolResult =
  /** `stored`: the settings as they were read, which is what is kept. */
  | { readonly ok: true; readonly school: School; readonly stored: SchoolData }
  | { readonly ok: false; readonly errors: readonly string[] };

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);
/** Settings that are lists; all others are objects. */
const LISTS: ReadonlySet<string> = new Set(["moves", "numbering", "rulings", "deletedMoves"]);

/** What is of another shape than its reader takes: it would be read as nothing, and break the page that shows it. */
const shapeFaults = (data: Readonly<Record<string, unknown>>): string[] =>
  Object.entries(data).flatMap(([key, value]) => {
    if (value === undefined || (LISTS.has(key) ? Array.isArray(value) : isObject(value))) return [];
    return [`${key}: must be ${LISTS.has(key) ? "a list" : "an object"}`];
  });

const SETTINGS = ["error", "risk", "note", "off"];
const VERDICTS = ["valid", "risky", "invalid"];

/**
 * Reads a school's settings: `{ "moves": [...], "numbering": [...], "severity": {rule: setting},
 * "rulings": [...], "customs": {...}, "load": {part: weight}, "pairing": {part: points}, "book": {...},
 * "standards": {class: [answer]} }`. All keys may be left out; errors say which
 * entry is wrong and how.
 */
export function readSchool(data: unknown): SchoolResult {
  if (!isObject(data)) return { ok: false, errors: [`school: must be an object with ${SCHOOL_KEYS.join(", ")}`] };
  const errors: string[] = [];
  for (const key of Object.keys(data))
    if (!isOneOf(SCHOOL_KEYS, key)) errors.push(`school: “${key}” is not known; known: ${SCHOOL_KEYS.join(", ")}`);
  errors.push(...shapeFaults(data));
  if (errors.length > 0) return { ok: false, errors };
  const moves = readMoves("moves", { moves: Array.isArray(data.moves) ? (data.moves as object[]) : [] });
  if (!moves.ok) errors.push(...moves.errors);
  const severity: Partial<Record<RuleId, RuleSetting>> = {};
  for (const [rule, setting] of Object.entries(isObject(data.severity) ? data.severity : {})) {
    if (!isRule(rule)) errors.push(`severity: there is no rule “${rule}”`);
    else if (!SETTINGS.includes(String(setting)))
      errors.push(`severity: ${rule}: “${String(setting)}” must be one of ${SETTINGS.join(", ")}`);
    else severity[rule] = setting as RuleSetting;
  }
  const rulings = (Array.isArray(data.rulings) ? data.rulings : []).flatMap((entry: unknown, i) => {
    const ruling = isObject(entry) ? entry : {};
    const whole = ["feed", "answer", "reason"].every((k) => typeof ruling[k] === "string" && ruling[k] !== "");
    if (whole && VERDICTS.includes(String(ruling.verdict))) return [rulingOf(ruling)];
    errors.push(`rulings: number ${i + 1} needs feed, answer, reason, and a verdict of ${VERDICTS.join(", ")}`);
    return [];
  });
  if (data.customs !== undefined) errors.push(...customsFaults(data.customs));
  if (data.book !== undefined) errors.push(...bookFaults(data.book));
  if (data.standards !== undefined) errors.push(...standardsFaults(data.standards));
  if (data.deletedMoves !== undefined) errors.push(...deletedMovesFaults(data.deletedMoves));
  if (data.pairing !== undefined) errors.push(...pairingFaults(data.pairing));
  if (data.load !== undefined) errors.push(...loadFaults(data.load));
  if (data.numbering !== undefined) errors.push(...numberingFaults(data.numbering));
  if (errors.length > 0 || !moves.ok) return { ok: false, errors };
  const sets = Array.isArray(data.numbering) ? (data.numbering as NumberingSet[]) : [];
  const own = moves.moves.length > 0 || sets.length > 0;
  const vocabulary = own ? makeVocabulary(moves.moves, sets) : shippedVocabulary();
  return {
    ok: true,
    stored: { ...(data as SchoolData), ...(data.severity ? { severity } : {}), ...(data.rulings ? { rulings } : {}) },
    school: {
      vocabulary,
      severity,
      rulings,
      customs: { ...SCHOOL_CUSTOMS, ...(data.customs as Partial<SchoolCustoms> | undefined) },
      pairing: { ...PAIR_WEIGHTS, ...(data.pairing as Partial<PairWeights> | undefined) },
      standards: data.standards === undefined ? STANDARDS : standardsWith(data.standards as OwnStandards),
      load: { ...LOAD_WEIGHTS, ...(data.load as Partial<LoadWeights> | undefined) },
      key: rulings.length + Object.keys(severity).length === 0 ? "" : JSON.stringify([severity, rulings]),
    },
  };
}

const rulingOf = ({ feed, answer, verdict, reason }: Record<string, unknown>): Ruling => ({
  ...{ feed: String(feed), answer: String(answer), reason: String(reason) },
  verdict: verdict as Ruling["verdict"],
});

/** How grave a school takes a rule to be; safety of live edges cannot be turned off. */
export function severityOf(rule: RuleId, usual: Severity, school: School): RuleSetting {
  return (rule === "training-tool" ? undefined : school.severity[rule]) ?? usual;
}

/** The school's ruling on a feed and an answer by any of their names, or null. */
export function rulingFor(school: School, feed: readonly string[], answers: readonly string[]): Ruling | null {
  const one = new Set(feed.map(nameKey));
  const two = new Set(answers.map(nameKey));
  return school.rulings.find((r) => one.has(nameKey(r.feed)) && two.has(nameKey(r.answer))) ?? null;
}
