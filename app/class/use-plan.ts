/** The plan of a class on its page: what is decided, what comes of it, kept by itself. */
import { useEffect, useMemo, useReducer, useRef } from "react";
import { useFetcher } from "react-router";
import { planRung } from "#core/class/plan-rung.ts";
import type { PlanPage } from "#server/views.ts";
import type { action } from "../routes/plan.tsx";
import { isTyping } from "../ui/is-typing.ts";
import { useSettings } from "../ui/use-settings.ts";
import { useLongWork } from "../workers/use-long-work.ts";
import { asksFirst, decisionText, firstDecisions, isDue, keptText, type Decisions } from "./plan-decisions.ts";
import { beginningWith, changed, type Change } from "./plan-history.ts";

/** Rest of typing and dragging before a plan is kept, ms. */
const QUIET = 700;

export function usePlan(page: PlanPage) {
  const [history, send] = useReducer(changed, page, (one) => beginningWith(firstDecisions(one)));
  const decisions = history.now;
  useUndoKeys(send);
  const work = usePlanned(page, decisions);
  const plan = work.result?.ok ? work.result : null;
  // Only what was decided is sent; the server works out the rest of the plan as this page does.
  const text = useMemo(
    () => (plan ? decisionText(page.chosen, decisions, plan.blocks) : null),
    [plan, page.chosen, decisions],
  );
  const keeping = useKeeping(page, decisions, { text, working: work.share !== null });
  const undo = history.before.length > 0 ? () => send({ do: "undo" }) : null;
  const redo = history.after.length > 0 ? () => send({ do: "redo" }) : null;
  return { ...decisions, ...keeping, work, plan, decide: send, undo, redo, asks: asksFirst(page, decisions) };
}

/** The usual keys, where nothing is being typed. */
function useUndoKeys(send: (change: Change) => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const inDialog = event.target instanceof HTMLElement && event.target.closest("[role=dialog]") !== null;
      if (isTyping(event) || inDialog || !(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      if (key !== "z" && key !== "y") return;
      event.preventDefault();
      send({ do: key === "y" || event.shiftKey ? "redo" : "undo" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [send]);
}

/** The plan that comes of what is decided, worked out beside the page. */
function usePlanned(page: PlanPage, decisions: Decisions) {
  const { lesson, people, rungs, wishes, met, gear, frozen } = page;
  const { blocks, clock, lines, begin, steps, locked } = decisions;
  const { version: weights } = useSettings();
  return useLongWork(
    "plan",
    {
      minutes: lesson.minutes,
      clock,
      rungs: rungs.map(planRung),
      people,
      blocks,
      wishes,
      met,
      gear,
      frozen,
      locked,
      lines,
      begin,
      steps,
    },
    weights,
  );
}

interface Wanted {
  readonly text: string | null;
  readonly working: boolean;
}

/** Keeps what is decided after a rest; says whether it is kept, and what came in between. */
function useKeeping(page: PlanPage, decisions: Decisions, { text, working }: Wanted) {
  const { lesson } = page;
  const { sure } = decisions;
  // By one key: another theme chosen while a plan is being kept waits for it, and knows its version.
  const fetcher = useFetcher<typeof action>({ key: `plan ${lesson.id}` });
  const last = useRef(keptText(page));
  const version = useRef(lesson.version);
  const busy = fetcher.state !== "idle";
  const answer = fetcher.data;
  useEffect(() => {
    version.current = Math.max(version.current, lesson.version);
  }, [lesson.version]);
  const keep = (wanted: string) => {
    last.current = wanted;
    const body = { ...(JSON.parse(wanted) as object), version: version.current, sure };
    void fetcher.submit({ plan: JSON.stringify(body) }, { method: "post" });
  };
  useEffect(() => {
    if (text === null || !isDue({ page, decisions, text, last: last.current, busy, working })) return;
    const timer = setTimeout(() => keep(text), QUIET);
    return () => clearTimeout(timer);
  }, [text, busy, working, sure]); // eslint-disable-line react-hooks/exhaustive-deps
  useEffect(() => {
    if (answer && "version" in answer) version.current = answer.version;
  }, [answer]);
  /** An instructor says that rounds were run up to one, or not from one on. */
  const say = (intent: "done" | "taken back", round: number) =>
    void fetcher.submit({ intent, round, version: version.current }, { method: "post" });
  const trouble = answer && "message" in answer ? answer.message : null;
  /** Sends once more what was not kept. */
  const again = () => text !== null && keep(text);
  return { say, trouble, again, busy, saved: !busy && text !== null && text === last.current && !trouble };
}
