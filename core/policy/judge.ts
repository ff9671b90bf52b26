/** A school's grades and rulings, applied to what the check has found. */
import { defaultSchool, rulingFor, severityOf, type School } from "./school.ts";
import type { Ruling } from "./settings.ts";
import { check, collect, scoreVerdict, type Bodies } from "../drill/check.ts";
import { checkSingle, type Fed } from "../drill/single.ts";
import type { Checked } from "../drill/types.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { decides, verdictOf } from "../exchange/verdict.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { MoveUse, DoneBeat } from "../read/types.ts";
import type { Score } from "../score/types.ts";

/** Checks a score as a school sees it. Never throws for any text. */
export const checkFor = (score: Score, school: School = defaultSchool(), bodies: Bodies = {}): Checked =>
  judge(check(score, school, bodies), school);

/** One answer to a feed from its frame, as a school sees it. */
export const checkSingleFor = (fed: Fed, answer: DoneBeat, school: School): CheckedExchange =>
  judgeExchange(checkSingle(fed, answer), school);

/** A check under the grades and rulings of a school. */
export function judge(checked: Checked, school: School): Checked {
  if (school.key === "") return checked;
  const exchanges = checked.exchanges.map((e) => judgeExchange(e, school));
  const loose = graded(checked.loose, school);
  const findings = collect(loose, exchanges);
  return { ...checked, exchanges, loose, findings, verdict: scoreVerdict(findings) };
}

/** Findings as the school grades them. */
export function graded(findings: readonly FindingDraft[], school: School): readonly FindingDraft[] {
  if (school.key === "" || findings.length === 0) return findings;
  return findings.flatMap((finding) => {
    if (finding.shownWrong) return [finding];
    const severity = severityOf(finding.rule, finding.severity, school);
    return severity === "off" ? [] : [{ ...finding, severity }];
  });
}

/** One exchange as the school sees it: a ruling on the pair comes before what the geometry says. */
export function judgeExchange(e: CheckedExchange, school: School): CheckedExchange {
  if (school.key === "" || e.verdict === "unread" || !e.feed) return e;
  const findings = graded(e.findings, school);
  const ruling = school.rulings.length > 0 ? rulingFor(school, namesOf(e.feed), answerNames(e)) : null;
  if (!ruling) return { ...e, findings, verdict: verdictOf(findings) };
  return { ...e, findings: underRuling(e, findings, ruling), verdict: ruling.verdict };
}

const namesOf = (use: MoveUse): string[] => [use.text, ...Object.values(use.move.names).flat()];
const answerNames = ({ beat }: CheckedExchange): string[] => [
  beat.map((use) => use.text).join(" + "),
  ...beat.flatMap(namesOf),
];

/** How grave a ruling is for the drill as a whole. */
const RULED = { valid: "note", risky: "risk", invalid: "error" } as const;

/** What the geometry says stays to be read, but no graver than the school's ruling. */
function underRuling(e: CheckedExchange, findings: readonly FindingDraft[], ruling: Ruling): FindingDraft[] {
  const { verdict, reason } = ruling;
  const severity = RULED[verdict];
  const milder = (f: FindingDraft) =>
    decides(f) && (f.severity === "error" || (f.severity === "risk" && verdict === "valid"));
  return [
    ...findings.map((f) => (verdict !== "invalid" && milder(f) ? { ...f, severity } : f)),
    { ...draft(e.row, e.answerSpan ?? e.feed!, "ruling", { verdict, reason }), severity },
  ];
}
