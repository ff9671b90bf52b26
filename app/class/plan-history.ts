/** Decisions of a plan that can be taken back one by one, and made again. Pure. */
import { decide, type Decision, type Decisions } from "./plan-decisions.ts";

interface History {
  readonly now: Decisions;
  /** The latest last. */
  readonly before: readonly Decisions[];
  /** Decisions that were taken back, the latest first. */
  readonly after: readonly Decisions[];
}
export type Change = Decision | { readonly do: "undo" } | { readonly do: "redo" };

/** Decisions that are remembered: an evening has fewer. */
const MOST = 100;

/** Returns a history that begins with what is decided. */
export const beginningWith = (now: Decisions): History => ({ now, before: [], after: [] });

/** Returns the history after one change; what cannot be taken back or made again changes nothing. */
export function changed(history: History, change: Change): History {
  const { now, before, after } = history;
  switch (change.do) {
    case "undo": {
      const last = before.at(-1);
      return last ? { now: meant(last, now), before: before.slice(0, -1), after: [now, ...after] } : history;
    }
    case "redo": {
      const [next, ...rest] = after;
      return next ? { now: meant(next, now), before: [...before, now], after: rest } : history;
    }
    case "mean":
      // That another theme is meant is said once, and is no arrangement of the evening.
      return { ...history, now: decide(now, change) };
    default:
      return { now: decide(now, change), before: [...before, now].slice(-MOST), after: [] };
  }
}

const meant = (decisions: Decisions, { sure }: Decisions): Decisions => ({ ...decisions, sure });
