/** The verdict of an exchange from what was found in it: worked out again when a school grades the findings. */
import type { CheckedExchange, Verdict } from "./types.ts";
import type { FindingDraft } from "../findings/finding.ts";
import { RULES } from "../findings/rules.ts";

/** True where a finding decides the verdict of its exchange. A return that falls short is judged by itself. */
export const decides = ({ rule, params }: FindingDraft): boolean =>
  RULES[rule].decides === "exchange" && !(rule === "out-of-reach" && params.code === "return");

/** Returns the verdict of an exchange by its findings. */
export function verdictOf(findings: readonly FindingDraft[]): Verdict {
  let verdict: Verdict = "valid";
  for (const finding of findings) {
    if (!decides(finding)) continue;
    if (finding.severity === "error") return "invalid";
    if (finding.severity === "risk") verdict = "risky";
  }
  return verdict;
}

/** True where somebody with bare hands has a blade come at them: whatever they do, it holds as a drill at most. */
export const isBareToBlade = ({ blow, contact }: CheckedExchange): boolean =>
  blow?.tool === "blade" && contact !== null && contact.receiver.body.person.holds === null;
