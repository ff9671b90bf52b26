/** What the desk shows of a drill before anything runs on the page. */
import type { ScoreView } from "#core/formats/desk-view.ts";
import type { Scope } from "#db/scope.ts";
import { compute, TaskStopped } from "../checks/pool.ts";
import { settingsOf } from "../school/school-of.ts";

/** Longer texts are checked where they are shown: their drawing is too much to send. */
const MOST_SENT = 2000;

/** What the first page shows of a drill before anything runs on it; null where that is left to the page. */
export async function firstView(scope: Scope, text: string): Promise<ScoreView | null> {
  if (text.length > MOST_SENT) return null;
  try {
    return await compute("desk", { text }, await settingsOf(scope));
  } catch (error) {
    if (error instanceof TaskStopped) return null;
    throw error;
  }
}
