/** Stored verdicts are worked out again when the settings or the model change: behind the requests, with progress. */
import { listNewestTexts, updateVerdict } from "#db/drills.ts";
import { db } from "#db/pool.ts";
import { listSchools } from "#db/school.ts";
import type { Scope } from "#db/scope.ts";
import { compute } from "../checks/pool.ts";
import { modelVersion } from "./model-version.ts";
import { settingsOf } from "../school/school-of.ts";
import type { JudgingView } from "../views.ts";

interface Run {
  done: number;
  total: number;
  /** Everything is to be judged once more when this run has ended. */
  again: boolean;
  ended: Promise<void>;
}
const runs = new Map<string, Run>();

/** How far the judging of a school is; null where nothing is under way. */
export function judgingOf({ schoolId }: Scope): JudgingView | null {
  const run = runs.get(schoolId);
  return run ? { done: run.done, total: run.total } : null;
}

/** Resolves when nothing of a school is being judged any more. */
export async function judgingEnds(scope: Scope): Promise<void> {
  for (let run = runs.get(scope.schoolId); run; run = runs.get(scope.schoolId)) await run.ended;
}

/** Judges the newest texts of a school again: all of them, or those that an older model judged. */
export function judgeAgain(scope: Scope, which: "all" | "older"): Promise<void> {
  const running = runs.get(scope.schoolId);
  if (running) {
    running.again = true;
    return running.ended;
  }
  const run: Run = { done: 0, total: 0, again: false, ended: Promise.resolve() };
  runs.set(scope.schoolId, run);
  // A request remembers the settings that it has read; what is judged behind it, maybe later, reads them as they are.
  run.ended = judge({ ...scope }, which, run)
    .catch((error: unknown) => console.error("stored verdicts could not be worked out again:", error))
    .finally(() => {
      runs.delete(scope.schoolId);
      if (run.again) void judgeAgain(scope, "all");
    });
  return run.ended;
}

async function judge(scope: Scope, which: "all" | "older", run: Run): Promise<void> {
  const version = modelVersion();
  const settings = await settingsOf(scope);
  const texts = (await listNewestTexts(db, scope)).filter((t) => which === "all" || t.model_version !== version);
  run.total = texts.length;
  const judgeOne = async ({ text, revision_id }: (typeof texts)[number]) => {
    const judged = await compute("judge", { text }, settings);
    await updateVerdict(db, scope, revision_id, { ...judged, modelVersion: version });
    run.done++;
  };
  const late = await eachOf(texts, judgeOne);
  // A busy machine has its limit of time for one text, too: such a text is tried once more, and never holds up the others.
  const failed = await eachOf(late, judgeOne);
  if (failed.length > 0) console.error(`${failed.length} stored verdicts could not be worked out again`);
}

/** Does something with each in turn, and returns those for which it failed. */
export async function eachOf<T>(all: readonly T[], act: (one: T) => Promise<void>): Promise<T[]> {
  const failed: T[] = [];
  for (const one of all) await act(one).catch(() => failed.push(one));
  return failed;
}

/** At start: whatever an older model has judged, in all schools. */
export async function judgeOlder(): Promise<void> {
  for (const schoolId of await listSchools(db))
    await judgeAgain({ schoolId, accountId: "", role: "instructor" }, "older");
}
