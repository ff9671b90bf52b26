/** What becomes of drills under other settings or another text: shown before it is saved. */
import { checkFor } from "./judge.ts";
import type { Checked } from "../drill/types.ts";
import { parse } from "../score/parse.ts";
import type { School } from "./school.ts";

/** A drill by its title and text. */
export interface DrillText {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

/** A drill whose verdict changes, before and after. */
export interface VerdictChange {
  readonly id: string;
  readonly title: string;
  readonly before: Checked["verdict"];
  readonly after: Checked["verdict"];
  /** What is said after that was not said before. */
  readonly said: string | null;
}

/** The drills whose verdict differs under two schools. */
export function compareSchools(drills: readonly DrillText[], before: School, after: School): VerdictChange[] {
  return drills.flatMap(({ id, title, text }) => {
    const score = parse(text);
    const one = checkFor(score, before);
    const two = checkFor(score, after);
    if (one.verdict === two.verdict) return [];
    const known = new Set(one.findings.map((f) => `${f.rule}${f.severity}${f.from}`));
    const said = two.findings.find((f) => !known.has(`${f.rule}${f.severity}${f.from}`));
    return [{ id, title, before: one.verdict, after: two.verdict, said: said?.message ?? null }];
  });
}

/** An exchange that comes out differently in two texts, by the words of its feed and answer. */
interface ExchangeChange {
  readonly words: string;
  /** null: it is not in that text. */
  readonly before: string | null;
  readonly after: string | null;
}

/** What changed in the verdicts from one text to another; exchanges that are the same are left out. */
export function compareTexts(
  before: string,
  after: string,
  school: School,
): { readonly before: Checked["verdict"]; readonly after: Checked["verdict"]; readonly exchanges: ExchangeChange[] } {
  const one = checkFor(parse(before), school);
  const two = checkFor(parse(after), school);
  const rows = new Map<string, { before: string | null; after: string | null }>();
  const collect = (checked: Checked, side: "before" | "after") => {
    const counts = new Map<string, number>();
    for (const e of checked.exchanges) {
      const words = `${e.feeder} ${e.feedText} -> ${e.responder} ${e.answerText || "nothing"}`;
      const nth = (counts.get(words) ?? 0) + 1;
      counts.set(words, nth);
      const key = nth > 1 ? `${words} (${nth})` : words;
      const row = rows.get(key) ?? { before: null, after: null };
      rows.set(key, { ...row, [side]: e.verdict });
    }
  };
  collect(one, "before");
  collect(two, "after");
  return {
    before: one.verdict,
    after: two.verdict,
    exchanges: [...rows].flatMap(([words, row]) => (row.before === row.after ? [] : [{ words, ...row }])),
  };
}
