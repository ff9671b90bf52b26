/** Reads, checks and varies scores off the page's thread. What can be asked stands in `questions/`. */
import { defaultSchool, readSchool } from "#core/policy/school.ts";
import type { SchoolData } from "#core/policy/settings.ts";
import { ScoreReader } from "#core/score/parse.ts";
import type { Answer, Ask, Cancel, Work, WorkKind } from "./protocol.ts";
import { answerAnswers } from "./questions/answers.ts";
import { checkingAnswers } from "./questions/checking.ts";
import { classAnswers } from "./questions/class.ts";
import { fileAnswers } from "./questions/files.ts";
import { ladderAnswers } from "./questions/ladder.ts";
import type { Answers, Desk, LongAnswer } from "./questions/question.ts";
import { wordsAnswers } from "./questions/words.ts";

let desk: Desk = { school: defaultSchool(), settings: {}, reader: new ScoreReader() };

const ANSWERS: Answers<Work> = {
  ...answerAnswers,
  ...checkingAnswers,
  ...classAnswers,
  ...fileAnswers,
  ...ladderAnswers,
  ...wordsAnswers,
  school: ({ settings }) => {
    const result = readSchool(settings);
    desk = result.ok
      ? { ...desk, school: result.school, settings: settings as SchoolData }
      : { ...desk, school: defaultSchool(), settings: {} };
    return result.ok ? [] : result.errors;
  },
};

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
type LongWork = LongAnswer<Result>;

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
    const answer = ANSWERS[ask.kind] as (payload: unknown, desk: Desk) => Result | LongWork;
    const result = answer(ask.payload, desk);
    if (!isLong(result)) return say({ payload: result });
    const done = await through(result, ask.id, (progress) => say({ progress }));
    if (done !== null) say({ payload: done });
  } catch (error) {
    say({ error: error instanceof Error ? error.message : "unknown" });
  }
}

const isLong = (result: Result | LongWork): result is LongWork =>
  typeof result === "object" && result !== null && "next" in result;
const LONG: readonly WorkKind[] = ["book", "ladder", "flow", "bridge", "plan", "repairs"];

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
