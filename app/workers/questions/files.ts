/** Drills as files, and what would change under another text or other settings. */
import { scoreView, type ScoreView } from "#core/formats/desk-view.ts";
import { drillJson, readDrillFile } from "#core/formats/drill-file.ts";
import { compareSchools, compareTexts, type DrillText, type VerdictChange } from "#core/policy/compare.ts";
import { checkFor } from "#core/policy/judge.ts";
import { readPlain, type PlainLine } from "#core/plain/read-plain.ts";
import { readSchool } from "#core/policy/school.ts";
import type { Answers } from "./question.ts";

export type FileRead =
  | { readonly ok: true; readonly text: string; readonly view: ScoreView }
  | { readonly ok: false; readonly message: string };

export interface FileQuestions {
  /** Lines in plain words, or a page of them. */
  readNotes: { ask: { page: string }; answer: readonly PlainLine[] };
  readFile: { ask: { name: string; content: string }; answer: FileRead };
  writeJson: { ask: { text: string }; answer: string };
  compareTexts: { ask: { before: string; after: string }; answer: ReturnType<typeof compareTexts> };
  compareSchools: {
    ask: { drills: readonly DrillText[]; settings: unknown };
    answer: { errors: readonly string[]; changes: readonly VerdictChange[] };
  };
}

export const fileAnswers: Answers<FileQuestions> = {
  readNotes: ({ page }, { school }) => readPlain(page, [], school),
  readFile: ({ name, content }, { school }) => {
    const result = readDrillFile(name, content, school);
    return result.ok ? { ok: true, text: result.text, view: scoreView(result.checked) } : result;
  },
  writeJson: ({ text }, { reader, school }) => drillJson(text, checkFor(reader.read(text), school)),
  compareTexts: ({ before, after }, { school }) => compareTexts(before, after, school),
  compareSchools: ({ drills, settings }, { school }) => {
    const after = readSchool(settings);
    if (!after.ok) return { errors: after.errors, changes: [] };
    return { errors: [], changes: compareSchools(drills, school, after.school) };
  },
};
