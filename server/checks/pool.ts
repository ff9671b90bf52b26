/**
 * Threads for all that takes computing: one text never holds up the requests of others. What takes too
 * long is stopped, and the thread with it.
 */
import { Bounded } from "#core/base/bounded.ts";
import { existsSync } from "node:fs";
import { availableParallelism } from "node:os";
import { resolve } from "node:path";
import pLimit from "p-limit";
import { Tinypool } from "tinypool";
import { env } from "../web/env.ts";
import { schoolFrom, type KeyedSettings } from "./school-cache.ts";
import { TASKS, type Task, type Tasks } from "./tasks.ts";
import type { Asked } from "./thread.ts";

/** Time that one task may take, ms; the plan of an evening for sixty people takes about a second. */
/** Tasks that may wait; beyond it the server says that it is busy. */
const MOST_WAITING = 200;
/** At least two, so that a task that takes its whole time does not stop all others. */
const THREADS = Math.max(2, availableParallelism() - 1);
/** Threads that nobody needs go away after this, ms. */
const IDLE = 60_000;
/** Where the build has put the thread; a development server without one computes in place. */
const threadFile = () => resolve(env().CHECK_THREAD);

/** The words for a task that was stopped; splitting helps where a text is long, and nowhere else. */
const TOOK_TOO_LONG =
  "This took too long to work out. Nothing was changed. Try again, or split it into several drills.";
const OF_PEOPLE: Readonly<Partial<Record<Task, string>>> = {
  plan: "Planning took too long; your last plan is unchanged. Try again.",
  round: "Pairing took too long; the pairs are unchanged. Try again.",
};

/** A task that was stopped because it took too long, or never begun because too many were waiting. */
export class TaskStopped extends Error {}

let threads: Tinypool | null = null;
const pool = (): Tinypool =>
  (threads ??= new Tinypool({
    filename: threadFile(),
    runtime: "worker_threads",
    minThreads: 0,
    maxThreads: THREADS,
    idleTimeout: IDLE,
  }));
/** Tasks wait before the threads: their time begins when a thread takes them. */
const free = pLimit(THREADS);

/** What a page shows of texts that seldom change: worked out once for a text and the settings of its school. */
const REMEMBERED: ReadonlySet<Task> = new Set<Task>(["desk", "words"]);
const remembered = new Bounded<string, unknown>(200);

/** Runs a task for a school in a thread; the same answer may be given to several who ask, and nobody changes it. */
export async function compute<T extends Task>(
  task: T,
  ask: Tasks[T]["ask"],
  settings: KeyedSettings,
): Promise<Tasks[T]["answer"]> {
  if (!REMEMBERED.has(task)) return inThread(task, ask, settings);
  const key = `${task} ${settings.key} ${JSON.stringify(ask)}`;
  const known = remembered.get(key);
  if (known !== undefined) return known as Tasks[T]["answer"];
  const answer = await inThread(task, ask, settings);
  remembered.set(key, answer);
  return answer;
}

async function inThread<T extends Task>(
  task: T,
  ask: Tasks[T]["ask"],
  settings: KeyedSettings,
): Promise<Tasks[T]["answer"]> {
  if (!existsSync(threadFile())) return TASKS[task](ask, schoolFrom(settings));
  if (free.pendingCount >= MOST_WAITING)
    throw new TaskStopped("The server has too much to work out just now. Try again in a moment.");
  return free(async () => {
    const signal = AbortSignal.timeout(env().CHECK_TIME_LIMIT);
    try {
      return (await pool().run({ task, ask, settings } satisfies Asked, { signal })) as Tasks[T]["answer"];
    } catch (error) {
      if (!signal.aborted) throw error;
      throw new TaskStopped(OF_PEOPLE[task] ?? TOOK_TOO_LONG);
    }
  });
}

/** Ends all threads. */
export async function closeThreads(): Promise<void> {
  const open = threads;
  threads = null;
  await open?.destroy();
}
