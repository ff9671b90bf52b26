/** A thread that computes what it is asked, one thing after the other. Built on its own. */
import { schoolFrom, type KeyedSettings } from "./school-cache.ts";
import { TASKS, type Task } from "./tasks.ts";

export interface Asked {
  readonly task: Task;
  readonly ask: unknown;
  readonly settings: KeyedSettings;
}

export default function compute({ task, ask, settings }: Asked): unknown {
  const run = TASKS[task] as (ask: unknown, school: ReturnType<typeof schoolFrom>) => unknown;
  return run(ask, schoolFrom(settings));
}
