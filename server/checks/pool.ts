/**
 * Threads for all that takes computing: one text never holds up the requests of others. What takes too
 * long is stopped, and the thread with it.
 */
import { Bounded } from "#core/base/bounded.ts";
import { existsSync } from "node:fs";
import { availableParallelism } from "node:os";
import { resolve } from "node:path";
import { Worker } from "node:worker_threads";
import { schoolFrom, type KeyedSettings } from "./school-cache.ts";
import { TASKS, type Task, type Tasks } from "./tasks.ts";
import type { Answered, Asked } from "./thread.ts";

/** Time that one task may take, ms; the plan of an evening for sixty people takes about a second. */
const TIME_LIMIT = Number(process.env.CHECK_TIME_LIMIT ?? 10_000);
/** Tasks that may wait; beyond it the server says that it is busy. */
const MOST_WAITING = 200;
/** At least two, so that a task that takes its whole time does not stop all others. */
const THREADS = Math.max(2, availableParallelism() - 1);
/** Where the build has put the thread; a development server without one computes in place. */
const threadFile = () => resolve(process.env.CHECK_THREAD ?? "build/server/check-thread.mjs");

/** A task that was stopped because it took too long, or never begun because too many were waiting. */
export class TaskStopped extends Error {}

interface Waiting {
  readonly asked: Asked;
  readonly done: (answer: unknown) => void;
  readonly fail: (error: Error) => void;
}

/** Whether a thread can take the next task. */
type ThreadState = "alive" | "stopped";

class Thread {
  private readonly worker = new Worker(threadFile());
  private current: Waiting | null = null;
  private timer: NodeJS.Timeout | null = null;

  constructor(private readonly onFree: (thread: Thread, state: ThreadState) => void) {
    // Idle threads do not keep the process from ending.
    this.worker.unref();
    this.worker.on("message", (answered: Answered) => {
      if (answered.ok) this.current?.done(answered.answer);
      else this.current?.fail(new Error(answered.fault));
      this.finish("alive");
    });
    this.worker.on("error", (error) => {
      this.current?.fail(error);
      this.finish("stopped");
    });
  }

  run(waiting: Waiting): void {
    this.current = waiting;
    this.worker.ref();
    this.timer = setTimeout(() => {
      void this.worker.terminate();
      waiting.fail(
        new TaskStopped(
          "This takes too long to work out, so it was stopped and nothing was saved. Split it into several drills.",
        ),
      );
      this.finish("stopped");
    }, TIME_LIMIT);
    this.worker.postMessage(waiting.asked);
  }

  private finish(state: ThreadState): void {
    if (this.timer) clearTimeout(this.timer);
    this.current = null;
    this.worker.unref();
    this.onFree(this, state);
  }

  stop(): Promise<number> {
    return this.worker.terminate();
  }
}

const waiting: Waiting[] = [];
const free: Thread[] = [];
const threads = new Set<Thread>();
let number = 0;

function next(): void {
  while (waiting.length > 0) {
    let thread = free.pop();
    if (!thread) {
      if (threads.size >= THREADS) return;
      thread = new Thread((one, state) => {
        if (state === "alive") free.push(one);
        else threads.delete(one);
        next();
      });
      threads.add(thread);
    }
    thread.run(waiting.shift()!);
  }
}

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

function inThread<T extends Task>(task: T, ask: Tasks[T]["ask"], settings: KeyedSettings): Promise<Tasks[T]["answer"]> {
  if (!existsSync(threadFile())) return Promise.resolve().then(() => TASKS[task](ask, schoolFrom(settings)));
  if (waiting.length >= MOST_WAITING)
    return Promise.reject(new TaskStopped("The server has too much to work out just now. Try again in a moment."));
  return new Promise((done, fail) => {
    waiting.push({ asked: { number: ++number, task, ask, settings }, done: done as (answer: unknown) => void, fail });
    next();
  });
}

/** Ends all threads. */
export async function closeThreads(): Promise<void> {
  await Promise.all([...threads].map((thread) => thread.stop()));
  threads.clear();
  free.length = 0;
}
