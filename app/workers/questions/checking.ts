/** What a text means, how it comes out, and what mends it. */
import type { RowIndex } from "#core/base/units.ts";
import { repairsOf } from "#core/answers/repairs.ts";
import type { Bodies } from "#core/drill/check.ts";
import type { Edit } from "#core/findings/finding.ts";
import { findingKey } from "#core/findings/finding-key.ts";
import { scoreView, type ScoreView } from "#core/formats/desk-view.ts";
import { padLines, type PadLine } from "#core/formats/pad-lines.ts";
import { sceneViews, type SceneView } from "#core/formats/scene-view.ts";
import { checkFor } from "#core/policy/judge.ts";
import { format } from "#core/score/format.ts";
import { addRow, moveRow, nudgeRow, type TextEdit } from "#core/score/rearrange.ts";
import type { Answers, LongAnswer } from "./question.ts";

export type Rearrange =
  | { readonly kind: "move"; readonly row: RowIndex; readonly to: RowIndex }
  | { readonly kind: "nudge"; readonly row: RowIndex; readonly way: "up" | "down" }
  | { readonly kind: "add"; readonly line: string; readonly after: RowIndex | null };

export interface RepairView {
  readonly label: string;
  /** Positions count from the start of the text that was asked about. */
  readonly edits: readonly Edit[];
}
/** Repairs by `findingKey` of what they mend; findings that have none are left out. */
export type RepairsView = Readonly<Record<string, readonly RepairView[]>>;

export interface CheckingQuestions {
  /** `bodies`: of actual people, in place of those in the header. */
  check: { ask: { text: string; bodies?: Bodies }; answer: ScoreView };
  repairs: { ask: { text: string }; answer: RepairsView };
  /** The exchanges of one row with the bodies of actual people. */
  scenes: { ask: { text: string; row: number; bodies: Bodies }; answer: readonly SceneView[] };
  pads: { ask: { text: string }; answer: readonly PadLine[] };
  format: { ask: { text: string }; answer: string };
  rearrange: { ask: { text: string; what: Rearrange }; answer: TextEdit | null };
}

export const checkingAnswers: Answers<CheckingQuestions> = {
  check: ({ text, bodies }, { reader, school }) => scoreView(checkFor(reader.read(text), school, bodies)),
  repairs: ({ text }, { reader, school }) => repairs(text, checkFor(reader.read(text), school), school),
  scenes: ({ text, row, bodies }, { reader, school }) => sceneViews(checkFor(reader.read(text), school, bodies), row),
  pads: ({ text }, { reader, school }) => padLines(checkFor(reader.read(text), school), school.customs.pads),
  format: ({ text }, { reader }) => format(reader.read(text)),
  rearrange: ({ text, what }, { reader }) => {
    const score = reader.read(text);
    switch (what.kind) {
      case "move":
        return moveRow(text, score, what.row, what.to);
      case "nudge":
        return nudgeRow(text, score, what.row, what.way);
      case "add":
        return addRow(text, what.line, what.after);
    }
  },
};

/** Findings that are looked at: as many as the desk shows. */
const MOST_FINDINGS = 60;

function* repairs(
  text: string,
  checked: Parameters<typeof repairsOf>[1],
  school: Parameters<typeof repairsOf>[3],
): LongAnswer<RepairsView> {
  const found: Record<string, readonly RepairView[]> = {};
  const findings = checked.findings.slice(0, MOST_FINDINGS);
  for (const [i, finding] of findings.entries()) {
    yield i / findings.length;
    const all = repairsOf(text, checked, finding, school);
    if (all.length > 0) found[findingKey(finding)] = all.map(({ label, edits }) => ({ label, edits }));
  }
  return found;
}
