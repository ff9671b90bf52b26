/** What an evening works on, how long its rounds are, and how partners change. */
import Button from "@mui/material/Button";
import { useFetcher, useSearchParams } from "react-router";
import { LINES_FROM } from "#core/pairs/lines.ts";
import type { PlanPage } from "#server/views.ts";
import type { action } from "../routes/plan.tsx";
import { Choice } from "../ui/choice.tsx";
import { shortDate } from "../ui/dates.ts";
import { Notice } from "../ui/parts.tsx";
import type { usePlan } from "./use-plan.ts";

/** No second theme, no part of the drill by itself. */
const NOTHING = "nothing";
const ROUND_LENGTHS = [30, 45, 60, 90, 120, 180, 240, 300];
const SWAPS = [15, 20, 30, 45, 60, 90];

interface ChoicesProps {
  readonly page: PlanPage;
  readonly state: ReturnType<typeof usePlan>;
}

/** The ladder, drill or part of a drill, and a second theme beside it. */
export function WhatIsTrained({ page }: Pick<ChoicesProps, "page">) {
  const { ladders, drills, chosen, parts } = page;
  const [, setSearch] = useSearchParams();
  const grow = useFetcher<typeof action>({ key: "grow" });
  const chosenLadder = ladders.find(({ id }) => id === chosen.ladder);
  const ofDrill = chosenLadder && drills.find(({ id }) => id === chosenLadder.drill_id);
  // A drill alone is no evening: it and its parts get their ladder on the spot.
  const growFrom = (drill: string, part: string | null) =>
    void grow.submit({ intent: "grow", drill, part: part ?? "" }, { method: "post" });
  const choose = (value: string) => {
    const drill = new URLSearchParams(value).get("drill");
    if (drill) growFrom(drill, null);
    else setSearch(new URLSearchParams(value));
  };
  return (
    <>
      <Choice
        label="We work on"
        value={chosen.ladder ? `ladder=${chosen.ladder}` : `drill=${chosen.drill}`}
        options={[
          ...ladders.map(({ id, title }) => [`ladder=${id}`, `Ladder: ${title}`] as const),
          ...drills.map(({ id, title }) => [`drill=${id}`, title] as const),
        ]}
        onChange={choose}
        disabled={grow.state !== "idle"}
        help={grow.state === "idle" ? undefined : "Making its ladder…"}
        sx={{ minWidth: 260, maxWidth: 380 }}
      />
      {ofDrill && parts.length > 1 && (
        <Choice
          label="Part of it"
          value={chosen.part ?? NOTHING}
          options={[[NOTHING, "all of it"], ...parts.map((part) => [part, part] as const)]}
          onChange={(part) => growFrom(ofDrill.id, part === NOTHING ? null : part)}
          disabled={grow.state !== "idle"}
          sx={{ minWidth: 130, maxWidth: 220 }}
        />
      )}
      {chosenLadder && ladders.length > 1 && (
        <Choice
          label="And then"
          value={chosen.second ?? NOTHING}
          options={[
            [NOTHING, "nothing else"],
            ...ladders.filter(({ id }) => id !== chosenLadder.id).map(({ id, title }) => [id, title] as const),
          ]}
          onChange={(second) => setSearch({ ladder: chosenLadder.id, ...(second === NOTHING ? {} : { second }) })}
          sx={{ minWidth: 190, maxWidth: 300 }}
        />
      )}
      {ofDrill && (
        <Button size="small" onClick={() => setSearch({ drill: ofDrill.id })}>
          Only the drill as it is
        </Button>
      )}
      {grow.data && "message" in grow.data && <Notice tone="trouble">{grow.data.message}</Notice>}
    </>
  );
}

const lengthText = (seconds: number): string => (seconds < 60 ? `${seconds} s` : `${seconds / 60} min`);
const withOwn = (usual: readonly number[], own: number): number[] =>
  [...new Set([...usual, own])].sort((one, two) => one - two);

/** Two lines where nobody chose, and there are enough people for them. */
const rotates = ({ people }: PlanPage, { lines }: ChoicesProps["state"]): boolean =>
  lines ?? people.length >= LINES_FROM;

/** The settings in a few words, for the button that opens them. */
export const settingsText = (page: PlanPage, state: ChoicesProps["state"]): string =>
  `rounds of ${lengthText(state.clock.round)}, roles every ${state.clock.change} s, partners ${rotates(page, state) ? "in two facing lines" : "in set pairs"}`;

/** Round, roles and how partners change. */
export function HowLong({ page, state }: ChoicesProps) {
  const { clock } = state;
  const inLines = rotates(page, state);
  const { carried, chosen } = page;
  const rungs = page.rungs.filter(({ past }) => !past);
  return (
    <>
      {chosen.second === null && rungs.length > 2 && (
        <Choice
          label="Begin with"
          value={Math.min(state.begin, rungs.length - 1)}
          options={rungs.map(({ title }, i) => [i, `${i + 1}. ${title}`] as const)}
          onChange={(begin) => state.decide({ do: "begin", begin })}
          help={carried && carried.rung > 0 ? `You got to ${carried.rung + 1} on ${shortDate(carried.day)}` : undefined}
          sx={{ minWidth: 130, maxWidth: 240 }}
        />
      )}
      <Choice
        label="Round length"
        value={clock.round}
        options={withOwn(ROUND_LENGTHS, clock.round).map((s) => [s, lengthText(s)])}
        onChange={(round) => state.decide({ do: "clock", clock: { ...clock, round } })}
        sx={{ width: 120 }}
      />
      <Choice
        label="Swap roles"
        value={clock.change}
        options={withOwn(SWAPS, clock.change).map((s) => [s, `every ${s} s`])}
        onChange={(change) => state.decide({ do: "clock", clock: { ...clock, change } })}
        sx={{ width: 130 }}
      />
      <Choice
        label="Rotate partners"
        value={inLines ? "lines" : "names"}
        options={[
          ["names", "set pairs"],
          ["lines", "two facing lines"],
        ]}
        onChange={(how) => state.decide({ do: "lines", lines: how === "lines" })}
        sx={{ width: 150 }}
      />
    </>
  );
}
