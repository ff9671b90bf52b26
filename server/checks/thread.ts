/** A thread that computes what it is asked, one thing after the other. Built on its own. */
import { parentPort } from "node:worker_threads";
import { schoolFrom, type KeyedSettings } from "./school-cache.ts";
import { TASKS, type Task } from "./tasks.ts";

export interface Asked {
  readonly number: number;
  readonly task: Task;
  readonly ask: unknown;
  readonly settings: KeyedSettings;
}
export type Answered =
  | { readonly number: number; readonly ok: true; readonly answer: unknown }
  | { readonly number: number; readonly ok: false; readonly fault: string };

parentPort!.on("message", ({ number, task, ask, settings }: Asked) => {
  let answered: Answered;
  try {
    const run = TASKS[task] as (ask: unknown, school: ReturnType<typeof schoolFrom>) => unknown;
    answered = { number, ok: true, answer: run(ask, schoolFrom(settings)) };
  } catch (error) {
    answered = { number, ok: false, fault: error instanceof Error ? (error.stack ?? error.message) : String(error) };
  }
  parentPort!.postMessage(answered);
});
