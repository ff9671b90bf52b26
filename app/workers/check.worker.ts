/** Reads, checks and varies scores off the page's thread. */
import { checkFor } from "#core/policy/judge.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { drillJson, readDrillFile } from "#core/formats/drill-file.ts";
import { sceneViews } from "#core/formats/scene-view.ts";
import { answerBook, bookReason, drillFor, wholeBook } from "#core/answers/answer-book.ts";
import { coverage } from "#core/answers/coverage.ts";
import { trainedPairs } from "#core/answers/trained.ts";
import { compareSchools, compareTexts } from "#core/policy/compare.ts";
import { defaultSchool, readSchool, type School } from "#core/policy/school.ts";
import { format } from "#core/score/format.ts";
import { parse, ScoreReader } from "#core/score/parse.ts";
import { addRow, moveRow, nudgeRow, type TextEdit } from "#core/score/rearrange.ts";
import { rankAnswers, rankFeeds, rankReturns, type RankedFeed } from "#core/answers/answers.ts";
import { inTradition } from "#core/words/shown.ts";
import { planClass } from "#core/class/plan.ts";
import { callLabels } from "#core/calls/labels.ts";
import { padLines } from "#core/formats/pad-lines.ts";
import type { SchoolData } from "#core/policy/settings.ts";
import { moveCards, tryData } from "./words-work.ts";
import { closeCycle } from "#core/search/close-cycle.ts";
import { headerRows } from "#core/score/edit.ts";
import { refute } from "#core/search/refute.ts";
import { vary } from "#core/vary/vary.ts";
import { bridgeWork, flowWork, ladderWork, variationView } from "./ladder-work.ts";
import type {
  Answer,
  AnswerView,
  Ask,
  Cancel,
  FeedView,
  FileRead,
  MoveName,
  Rearrange,
  Work,
  WorkKind,
} from "./protocol.ts";

const reader = new ScoreReader();
let school: School = defaultSchool();
let settings: SchoolData = {};
const scope = self as unknown as DedicatedWorkerGlobalScope;

let waiting: Ask[] = [];
/** The long ask at work, and whether it was taken back meanwhile. */
let current = { id: 0, cancelled: false };
let busy = false;

scope.onmessage = ({ data }: MessageEvent<Ask | Cancel>) => {
  if ("cancel" in data) {
    waiting = waiting.filter((ask) => ask.id !== data.cancel);
    if (current.id === data.cancel) current.cancelled = true;
    return;
  }
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
  for (let ask = waiting.shift(); ask; ask = waiting.shift()) await serve(ask);
  busy = false;
}

/** Runs an ask and answers it. */
async function serve(ask: Ask): Promise<void> {
  const say = (answer: Partial<Answer>) =>
    scope.postMessage({ id: ask.id, payload: null, error: null, ...answer } satisfies Answer);
  try {
    const result = run(ask);
    if (!isLong(result)) return say({ payload: result });
    const done = await through(result, ask.id, (progress) => say({ progress }));
    if (done !== null) say({ payload: done });
  } catch (error) {
    say({ error: error instanceof Error ? error.message : "unknown" });
  }
}

const isLong = (result: Result | LongWork): result is LongWork =>
  typeof result === "object" && result !== null && "next" in result;
const LONG: readonly WorkKind[] = ["book", "ladder", "flow", "bridge", "plan"];

/** Runs long work slice by slice; null where it was taken back. Short asks are served in between. */
async function through(long: LongWork, id: number, progress: (share: number) => void): Promise<Result | null> {
  let slice = performance.now();
  current = { id, cancelled: false };
  for (;;) {
    const step = long.next();
    if (step.done) return step.value;
    if (performance.now() - slice < SLICE) continue;
    progress(step.value);
    await new Promise((resolve) => setTimeout(resolve, 0));
    if (current.cancelled) return null;
    for (const ask of waiting.filter((w) => !LONG.includes(w.kind))) {
      waiting = waiting.filter((w) => w !== ask);
      await serve(ask);
    }
    slice = performance.now();
  }
}

function run(ask: Ask): Result | LongWork {
  switch (ask.kind) {
    case "school": {
      const result = readSchool(ask.payload.settings);
      school = result.ok ? result.school : defaultSchool();
      settings = result.ok ? (ask.payload.settings as SchoolData) : {};
      return result.ok ? [] : result.errors;
    }
    case "check":
      return scoreView(checkFor(reader.read(ask.payload.text), school, ask.payload.bodies));
    case "scenes":
      return sceneViews(checkFor(reader.read(ask.payload.text), school, ask.payload.bodies), ask.payload.row);
    case "names":
      return names();
    case "moves":
      return moveCards(school);
    case "tryMove":
      return tryData(ask.payload.data, settings);
    case "callLabels":
      return callLabels(checkFor(reader.read(ask.payload.text), school));
    case "pads":
      return padLines(checkFor(reader.read(ask.payload.text), school), school.customs.pads);
    case "answers":
      return answers(ask.payload.text, ask.payload.feed);
    case "feeds":
      return shown(rankFeeds(headerRows(reader.read(ask.payload.text)), school));
    case "refute":
      return refuted(ask.payload.text);
    case "returns":
      return shown(
        rankReturns(headerRows(reader.read(ask.payload.text)), ask.payload.feed, ask.payload.answer, school),
      );
    case "close":
      return closeCycle(ask.payload.text, checkFor(reader.read(ask.payload.text), school), school);
    case "format":
      return format(reader.read(ask.payload.text));
    case "rearrange":
      return rearrange(ask.payload.text, ask.payload.what);
    case "vary": {
      const base = checkFor(reader.read(ask.payload.text), school);
      const { good, broken } = vary(base, school);
      return { good: good.map(variationView), broken: broken.map(variationView), partial: base.verdict === "broken" };
    }
    case "ladder":
      return ladderWork(checkFor(reader.read(ask.payload.text), school), school, ask.payload.wishes);
    case "flow":
      return flowWork(checkFor(reader.read(ask.payload.text), school), school, ask.payload);
    case "plan":
      return planClass({ ...ask.payload, weights: school.pairing }, school);
    case "bridge":
      return bridgeWork(checkFor(parse(ask.payload.text), school), checkFor(parse(ask.payload.other), school), school);
    case "book":
      return answerBook(ask.payload.choice, school);
    case "wholeBook":
      return wholeBook(school);
    case "bookReason":
      return bookReason(ask.payload.feed, ask.payload.answer, ask.payload.side, school);
    case "bookDrill":
      return drillFor(ask.payload.feed, ask.payload.answer, ask.payload.side, school);
    case "coverage":
      return coverage(ask.payload.texts, ask.payload.feeds, school);
    case "trained":
      return trainedPairs(ask.payload.texts, school);
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
      return drillJson(ask.payload.text, checkFor(reader.read(ask.payload.text), school));
  }
}

function refuted(text: string): Work["refute"]["answer"] {
  const score = reader.read(text);
  const found = refute(checkFor(score, school), school);
  if (found.kind !== "refuted") return { found, drawn: null };
  return { found, drawn: scoreView(checkFor(parse([...headerRows(score), "", found.line].join("\n")), school)) };
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

function answers(text: string, feed: string): AnswerView[] {
  return rankAnswers(headerRows(reader.read(text)), feed, school).map(({ text: answer, move, exchange }) => {
    const hands = exchange.contact?.busy ?? [];
    return {
      text: inTradition(answer, move, school.customs.names, school.vocabulary),
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

/** Feeds in the words of the tradition that the school shows. */
const shown = (feeds: readonly RankedFeed[]): FeedView[] =>
  feeds.map(({ text, move }) => ({
    text: inTradition(text, move, school.customs.names, school.vocabulary),
    group: move.group,
  }));

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
