/** Reads, checks and varies scores off the page's thread. */
import { check } from "#core/check/check.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { drillJson, readDrillFile } from "#core/formats/drill-file.ts";
import { sceneViews } from "#core/formats/scene-view.ts";
import { answerBook, bookReason, drillFor } from "#core/book/answer-book.ts";
import { compareSchools, compareTexts } from "#core/school/compare.ts";
import { defaultSchool, readSchool, type School } from "#core/school/school.ts";
import { format } from "#core/score/format.ts";
import { ScoreReader } from "#core/score/parse.ts";
import { addRow, moveRow, nudgeRow, type TextEdit } from "#core/score/rearrange.ts";
import { rankAnswers, rankFeeds } from "#core/vary/answers.ts";
import { closeCycle } from "#core/vary/close-cycle.ts";
import { headerRows } from "#core/vary/edit.ts";
import { refute } from "#core/vary/refute.ts";
import { vary, type Variation } from "#core/vary/vary.ts";
import type {
  Answer,
  AnswerView,
  Ask,
  Cancel,
  FileRead,
  MoveName,
  Rearrange,
  VariationView,
  Work,
  WorkKind,
} from "./protocol.ts";

const reader = new ScoreReader();
let school: School = defaultSchool();
const scope = self as unknown as DedicatedWorkerGlobalScope;

/** The newest version of the text that was asked for: older asks in the queue need no work. */
let newest = 0;
const waiting: Ask[] = [];
const cancelled = new Set<number>();
let busy = false;

scope.onmessage = ({ data }: MessageEvent<Ask | Cancel>) => {
  if ("cancel" in data) return void cancelled.add(data.cancel);
  if (data.kind === "check") newest = Math.max(newest, data.docVersion);
  waiting.push(data);
  // Later messages are read first, so that a burst of key strokes costs one check.
  if (!busy) {
    busy = true;
    setTimeout(() => void work(), 0);
  }
};

type Result = Work[WorkKind]["answer"];
/** Long work gives the share done now and then. */
type LongWork = Generator<number, Result>;

/** Long work is interrupted this often, ms, for progress and for asks that cannot wait. */
const SLICE = 24;

async function work() {
  for (let ask = waiting.shift(); ask; ask = waiting.shift()) {
    if (ask.kind === "check" && ask.docVersion < newest) continue;
    const { id, docVersion } = ask;
    const say = (answer: Partial<Answer>) =>
      scope.postMessage({ id, docVersion, payload: null, error: null, ...answer } satisfies Answer);
    try {
      const result = run(ask);
      if (!isLong(result)) say({ payload: result });
      else {
        const done = await through(result, id, (progress) => say({ progress }));
        if (done !== null) say({ payload: done });
      }
    } catch (error) {
      say({ error: error instanceof Error ? error.message : "unknown" });
    }
  }
  busy = false;
}

const isLong = (result: Result | LongWork): result is LongWork =>
  typeof result === "object" && result !== null && "next" in result;

/** Runs long work slice by slice; null where it was cancelled. Short asks are served in between. */
async function through(long: LongWork, id: number, progress: (share: number) => void): Promise<Result | null> {
  let slice = performance.now();
  for (;;) {
    const step = long.next();
    if (step.done) return step.value;
    if (performance.now() - slice < SLICE) continue;
    progress(step.value);
    await new Promise((resolve) => setTimeout(resolve, 0));
    if (cancelled.delete(id)) return null;
    slice = performance.now();
  }
}

function run(ask: Ask): Result | LongWork {
  switch (ask.kind) {
    case "school": {
      const result = readSchool(ask.payload.settings);
      school = result.ok ? result.school : defaultSchool();
      return result.ok ? [] : result.errors;
    }
    case "check":
      return scoreView(check(reader.read(ask.payload.text), school));
    case "scenes":
      return sceneViews(check(reader.read(ask.payload.text), school, ask.payload.bodies), ask.payload.row);
    case "names":
      return names();
    case "answers":
      return answers(ask.payload.text, ask.payload.feed);
    case "feeds":
      return rankFeeds(headerRows(reader.read(ask.payload.text)), school);
    case "refute":
      return refute(check(reader.read(ask.payload.text), school), school);
    case "close":
      return closeCycle(ask.payload.text, check(reader.read(ask.payload.text), school), school);
    case "format":
      return format(reader.read(ask.payload.text));
    case "rearrange":
      return rearrange(ask.payload.text, ask.payload.what);
    case "vary": {
      const base = check(reader.read(ask.payload.text), school);
      const { good, broken } = vary(base, school);
      return { good: good.map(variationView), broken: broken.map(variationView), partial: base.verdict === "broken" };
    }
    case "book":
      return answerBook(ask.payload.choice, school);
    case "bookReason":
      return bookReason(ask.payload.feed, ask.payload.answer, ask.payload.side, school);
    case "bookDrill":
      return drillFor(ask.payload.feed, ask.payload.answer, ask.payload.side, school);
    case "compareTexts":
      return compareTexts(ask.payload.before, ask.payload.after, school);
    case "compareSchools": {
      const after = readSchool(ask.payload.settings);
      if (!after.ok) return { errors: after.errors, changes: [] };
      return { errors: [], changes: compareSchools(ask.payload.drills, school, after.school) };
    }
    case "readFile":
      return readFile(ask.payload.name, ask.payload.content);
    case "writeJson":
      return drillJson(ask.payload.text, check(reader.read(ask.payload.text), school));
  }
}

function rearrange(text: string, what: Rearrange): TextEdit | null {
  const score = reader.read(text);
  switch (what.kind) {
    case "move":
      return moveRow(text, score, what.row, what.to);
    case "nudge":
      return nudgeRow(text, score, what.row, what.way);
    case "add":
      return addRow(text, what.line, what.after);
  }
}

function readFile(name: string, content: string): FileRead {
  const result = readDrillFile(name, content, school);
  return result.ok ? { ok: true, text: result.text, view: scoreView(result.checked) } : result;
}

const variationView = (v: Variation): VariationView => ({
  operator: v.operator,
  parameters: v.parameters,
  text: v.text,
  changed: v.changed,
  view: scoreView(v.checked),
});

function answers(text: string, feed: string): AnswerView[] {
  return rankAnswers(headerRows(reader.read(text)), feed, school).map(({ text: answer, move, exchange }) => {
    const hands = exchange.contact?.busy ?? [];
    return {
      text: answer,
      group: move.group,
      hand: hands.length > 1 ? "both" : (hands[0] ?? "none"),
      traditions: Object.keys(move.names),
      verdict: exchange.verdict === "risky" ? "risky" : "valid",
      marginCm: Math.round((exchange.margin ?? 0) * 1000) / 10,
      ceiling: exchange.ceiling,
      open: exchange.followUps.filter((f) => f.state === "open").map((f) => f.move),
    };
  });
}

function names(): MoveName[] {
  const list: MoveName[] = [];
  for (const move of school.vocabulary.moves.values())
    for (const [tradition, all] of Object.entries(move.names))
      for (const name of all ?? [])
        list.push({
          name,
          group: move.group,
          hint: name === move.name ? (move.coaching[0] ?? "") : `${move.name} (${tradition})`,
        });
  return list;
}
