/** The plan of a class on its page: what is wished, what came out, kept by itself. */
import { useEffect, useMemo, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { planRung, type Step } from "#core/class/fit.ts";
import { clockFor, type PlanInput } from "#core/class/plan.ts";
import type { Block, Clock } from "#core/class/timetable.ts";
import type { PlanPage } from "#server/views.ts";
import type { action } from "../routes/plan.tsx";
import { useSettings } from "../ui/use-settings.ts";
import { useLongWork } from "../workers/use-long-work.ts";

/** Rest of typing and dragging before a plan is kept, ms. */
const QUIET = 700;

type Decided = Pick<PlanInput, "clock" | "locked" | "blocks"> & {
  readonly lines: boolean | null;
  readonly begin: number;
  readonly steps: NonNullable<PlanInput["steps"]>;
  readonly ladder: string | null;
  readonly drill: string;
  readonly second: string | null;
};

/** Keys by their names: the database gives them back in an order of its own. */
const inOrder = (_key: string, value: unknown): unknown =>
  value !== null && typeof value === "object" && !Array.isArray(value)
    ? Object.fromEntries(Object.entries(value).sort(([one], [two]) => (one < two ? -1 : 1)))
    : value;

/** What an instructor decides of a plan, as a text: the same decisions are the same text. */
const decided = ({ ladder, drill, second, clock, lines, begin, steps, locked, blocks }: Decided): string =>
  JSON.stringify({ ladder, drill, second, clock, lines, begin, steps, locked, blocks }, inOrder);

export function usePlan(page: PlanPage) {
  const { lesson, people, rungs, kept, wishes, met, gear, chosen, frozen } = page;
  const same =
    kept !== null &&
    kept.ladder === chosen.ladder &&
    kept.drill === chosen.drill &&
    (kept.second ?? null) === chosen.second;
  const [blocks, setBlocks] = useState<readonly Block[] | null>(same ? kept.plan.blocks : null);
  const [clock, setClock] = useState<Clock>(same ? kept.clock : clockFor(people));
  const [lines, setLines] = useState<boolean | null>((same ? kept.lines : null) ?? null);
  const [begin, setBegin] = useState((same ? kept.begin : page.carried?.rung) ?? 0);
  // What was said of somebody the last time on this ladder holds until it is taken back.
  const [steps, setSteps] = useState((same ? kept.steps : page.carried?.steps) ?? []);
  const [locked, setLocked] = useState<PlanInput["locked"]>(same ? kept.locked : []);
  // Another theme in the middle of a class is kept only when somebody says that they mean it.
  const asks = kept !== null && !same && frozen.blocks.length > 0;
  const [sure, setSure] = useState(false);
  const { version: weights } = useSettings();
  const work = useLongWork(
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
  const plan = work.result?.ok ? work.result : null;
  // By one key: who chooses another theme while a plan is being kept waits for it, and knows its version.
  const fetcher = useFetcher<typeof action>({ key: `plan ${lesson.id}` });
  // Only what was decided is sent; the server works out the rest of the plan as this page does.
  const text = useMemo(
    () => (plan ? decided({ ...chosen, clock, lines, begin, steps, locked, blocks: plan.blocks }) : null),
    [plan, chosen, clock, lines, begin, steps, locked],
  );
  const last = useRef(
    same
      ? decided({
          ...kept,
          second: kept.second ?? null,
          lines: kept.lines ?? null,
          begin: kept.begin ?? 0,
          steps: kept.steps ?? [],
          blocks: kept.plan.blocks,
        })
      : null,
  );
  const version = useRef(lesson.version);
  useEffect(() => {
    version.current = Math.max(version.current, lesson.version);
  }, [lesson.version]);
  const busy = fetcher.state !== "idle";
  useEffect(() => {
    // The log of a class that is over is not written again by looking at it.
    if (page.over || text === null || busy || work.share !== null || text === last.current || (asks && !sure)) return;
    const timer = setTimeout(() => {
      last.current = text;
      void fetcher.submit(
        { plan: JSON.stringify({ ...(JSON.parse(text) as object), version: version.current, sure }) },
        { method: "post" },
      );
    }, QUIET);
    return () => clearTimeout(timer);
  }, [text, busy, work.share, sure]); // eslint-disable-line react-hooks/exhaustive-deps
  const answer = fetcher.data;
  useEffect(() => {
    if (answer && "version" in answer) version.current = answer.version;
  }, [answer]);
  /** An instructor says that rounds were run up to one, or not from one on. */
  const say = (intent: "done" | "taken back", round: number) =>
    void fetcher.submit({ intent, round, version: version.current }, { method: "post" });
  /** Somebody works on an easier or a harder rung than is suggested; 0: as it is suggested. */
  const step = (who: string, by: Step["by"] | 0) => {
    const others = steps.filter((one) => one.who !== who);
    setSteps(by === 0 ? others : [...others, { who, by }]);
  };
  const trouble = answer && "message" in answer ? answer.message : null;
  const saved = !busy && text !== null && text === last.current && !trouble;
  return {
    work,
    plan,
    blocks,
    setBlocks,
    clock,
    setClock,
    lines,
    setLines,
    begin,
    setBegin,
    steps,
    step,
    locked,
    setLocked,
    asks: asks && !sure,
    mean: () => setSure(true),
    say,
    trouble,
    saved,
    busy,
  };
}
