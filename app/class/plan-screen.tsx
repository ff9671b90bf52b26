/** The plan of an evening: blocks, rounds, pairs, and what each person gets out of it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link, useFetcher, useSearchParams } from "react-router";
import type { action } from "../routes/plan.tsx";
import type { PlannedPair, PlannedRound } from "#core/class/plan.ts";
import {
  CLOSE,
  DRINK,
  FREE,
  holdsWholeRound,
  inOrder,
  packClass,
  partsOf,
  WARM_UP,
  type Block,
  type Clock,
} from "#core/class/timetable.ts";
import type { PlanPage } from "#server/views.ts";
import { PAIR_WEIGHTS } from "#core/policy/pair-weights.ts";
import { useSettings } from "../ui/use-settings.ts";
import { swapCostIn } from "./swap-cost.ts";
import { shortDate } from "../ui/dates.ts";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { WorkProgress } from "../ui/work-progress.tsx";
import { PairWeightSliders } from "./pair-weights.tsx";
import { PlanBlocks } from "./plan-blocks.tsx";
import { PlanPairs } from "./plan-pairs.tsx";
import { PlanShares } from "./plan-shares.tsx";
import { usePlan } from "./use-plan.ts";

/** No second theme. */
const NOTHING = "nothing";
const ROUND_LENGTHS = [60, 90, 120, 180, 240, 300];

export function PlanScreen({ page }: { page: PlanPage }) {
  const { lesson, people, rungs, names } = page;
  const state = usePlan(page);
  const { work, plan, clock, locked, done } = state;
  const [round, setRound] = useState(0);
  const [weights, setWeights] = useState(false);
  const { settings } = useSettings();
  const pairing = { ...PAIR_WEIGHTS, ...settings.pairing };
  const rounds = plan?.rounds ?? [];
  const at = Math.min(round, Math.max(0, rounds.length - 1));
  const shown = rounds[at];
  const nameOf = (id: string) => names[id] ?? "Former member";
  const lock = (pair: PlannedPair, on: boolean) => {
    const others = locked.filter((l) => l.round !== at || !(l.a === pair.a && l.b === pair.b));
    state.setLocked(on ? [...others, { round: at, a: pair.a, b: pair.b, c: pair.c }] : others);
  };
  const swap = (one: string, two: string) => {
    if (!shown) return;
    const put = (id: string) => (id === one ? two : id === two ? one : id);
    const touched = shown.pairs.filter((p) => [p.a, p.b, p.c].some((id) => id === one || id === two));
    if (touched.length < 2) return;
    const kept = locked.filter((l) => l.round !== at || !touched.some((p) => p.a === l.a && p.b === l.b));
    state.setLocked([...kept, ...touched.map((p) => ({ round: at, a: put(p.a), b: put(p.b), c: p.c && put(p.c) }))]);
  };
  const packAgain = () =>
    state.setBlocks(packedRound(state.blocks ?? plan?.blocks ?? [], lesson.minutes, rungs, clock));
  return (
    <>
      <ScreenHead
        title={`Plan: ${lesson.title}`}
        lead={`${shortDate(lesson.held_on)}, ${lesson.minutes} minutes, ${people.length} here. ${
          state.busy ? "Saving…" : state.saved ? "Saved." : ""
        }`}
      >
        <Ways lesson={lesson.id} />
      </ScreenHead>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, px: { xs: 2, sm: 3 }, pb: 1.5, alignItems: "center" }}>
        <WhatAndHowLong page={page} state={state} />
        <Button variant="outlined" onClick={packAgain}>
          Refill the time
        </Button>
        <Button variant="outlined" aria-expanded={weights} onClick={() => setWeights(!weights)}>
          {weights ? "Hide: what makes a good pair" : "What makes a good pair"}
        </Button>
      </Box>
      {weights && (
        <Box sx={{ px: { xs: 2, sm: 3 } }}>
          <PairWeightSliders />
        </Box>
      )}
      {page.over && (
        <Notice>
          This class is over: its log stays as it was, and nothing is saved from here. Copy it in the term.
        </Notice>
      )}
      {state.trouble && <Notice tone="trouble">{state.trouble}</Notice>}
      {!plan && <WorkProgress work={work} doing="Planning the evening" not="The plan was not made." />}
      {work.result && !work.result.ok && <Notice tone="trouble">{work.result.message}</Notice>}
      {plan && (
        <Box
          sx={{
            display: "grid",
            gridTemplateColumns: { xs: "minmax(0,1fr)", md: "minmax(0,420px) minmax(0,1fr)" },
            borderTop: 1,
            borderColor: "hairline",
          }}
        >
          <Box
            component="section"
            aria-label="The evening"
            sx={{ px: { xs: 2, sm: 3 }, py: 2, borderRight: { md: 1 }, borderColor: { md: "hairline" } }}
          >
            <Evening
              plan={plan}
              rungs={rungs}
              state={state}
              at={shown?.block ?? null}
              onLook={(block) =>
                setRound(
                  Math.max(
                    0,
                    rounds.findIndex((r) => r.block === block),
                  ),
                )
              }
            />
          </Box>
          <Box component="section" aria-label="Rounds" sx={{ px: { xs: 2, sm: 3 }, py: 2, minWidth: 0 }}>
            <RoundHead rounds={rounds} at={at} done={done} onLook={setRound} onRun={state.run} />
            {shown && (
              <PlanPairs
                round={shown}
                at={at}
                rungs={rungs}
                nameOf={nameOf}
                onLock={lock}
                onSwap={swap}
                costOf={(one, two) => swapCostIn(page, { rounds, at }, pairing, [one, two])}
              />
            )}
            <PlanShares shares={plan.shares} people={people} rounds={rounds.length} queue={plan.queue} />
          </Box>
        </Box>
      )}
    </>
  );
}

type PlanState = ReturnType<typeof usePlan>;

/** The ladder or drill of the evening, how long a round is, and when roles change. */
function WhatAndHowLong({ page, state }: { page: PlanPage; state: PlanState }) {
  const { ladders, drills, chosen } = page;
  const { clock } = state;
  const [, setSearch] = useSearchParams();
  const grow = useFetcher<typeof action>({ key: "grow" });
  const chosenLadder = ladders.find(({ id }) => id === chosen.ladder);
  // A drill alone is no evening: it gets its ladder on the spot.
  const choose = (value: string) => {
    const drill = new URLSearchParams(value).get("drill");
    if (drill) void grow.submit({ intent: "grow", drill }, { method: "post" });
    else setSearch(new URLSearchParams(value));
  };
  return (
    <>
      <TextField
        select
        size="small"
        label="We work on"
        value={chosen.ladder ? `ladder=${chosen.ladder}` : `drill=${chosen.drill}`}
        onChange={(event) => choose(event.target.value)}
        disabled={grow.state !== "idle"}
        helperText={grow.state === "idle" ? undefined : "Making its ladder…"}
        sx={{ minWidth: 260, maxWidth: 380 }}
      >
        {ladders.map((l) => (
          <MenuItem key={l.id} value={`ladder=${l.id}`}>
            Ladder: {l.title}
          </MenuItem>
        ))}
        {drills.map((d) => (
          <MenuItem key={d.id} value={`drill=${d.id}`}>
            {d.title}
          </MenuItem>
        ))}
      </TextField>
      {chosenLadder && ladders.length > 1 && (
        <TextField
          select
          size="small"
          label="and then"
          value={chosen.second ?? NOTHING}
          onChange={(event) =>
            setSearch({
              ladder: chosenLadder.id,
              ...(event.target.value === NOTHING ? {} : { second: event.target.value }),
            })
          }
          sx={{ minWidth: 190, maxWidth: 300 }}
        >
          <MenuItem value={NOTHING}>nothing else</MenuItem>
          {ladders
            .filter(({ id }) => id !== chosenLadder.id)
            .map((l) => (
              <MenuItem key={l.id} value={l.id}>
                {l.title}
              </MenuItem>
            ))}
        </TextField>
      )}
      {chosenLadder && drills.some(({ id }) => id === chosenLadder.drill_id) && (
        <Button size="small" onClick={() => setSearch({ drill: chosenLadder.drill_id })}>
          Only the drill as it is
        </Button>
      )}
      {grow.data && "message" in grow.data && <Notice tone="trouble">{grow.data.message}</Notice>}
      <TextField
        select
        size="small"
        label="Round length"
        value={clock.round}
        onChange={(event) => {
          state.setClock({ ...clock, round: Number(event.target.value) });
          state.setBlocks(null);
        }}
        sx={{ width: 120 }}
      >
        {ROUND_LENGTHS.map((s) => (
          <MenuItem key={s} value={s}>
            {s / 60} min
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        size="small"
        label="Swap roles"
        value={clock.change}
        onChange={(event) => state.setClock({ ...clock, change: Number(event.target.value) })}
        sx={{ width: 130 }}
      >
        {[15, 20, 30, 45, 60, 90].map((s) => (
          <MenuItem key={s} value={s}>
            every {s} s
          </MenuItem>
        ))}
      </TextField>
    </>
  );
}

interface EveningProps {
  readonly plan: NonNullable<PlanState["plan"]>;
  readonly rungs: PlanPage["rungs"];
  readonly state: PlanState;
  /** The block of the round that is shown. */
  readonly at: string | null;
  readonly onLook: (block: string) => void;
}

/** The blocks of the evening, what time is left, and what to look at. */
function Evening({ plan, rungs, state, at, onLook }: EveningProps) {
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1, mb: 0.5 }}>
        <Box component="h2" sx={{ typography: "h2", m: 0, flex: 1 }}>
          The evening
        </Box>
        <Box sx={{ color: plan.left < 0 ? "verdict.invalid" : "text.secondary" }}>
          {plan.left < 0 ? `${-plan.left} min too long` : plan.left === 0 ? "full" : `${plan.left} min left`}
        </Box>
      </Box>
      <PlanBlocks
        blocks={plan.blocks}
        rungs={rungs}
        clock={state.clock}
        at={at}
        onLook={onLook}
        onChange={state.setBlocks}
      />
      {plan.notes.length > 0 && (
        <Box component="section" aria-label="What to look at" sx={{ pt: 1 }}>
          <Box component="h2" sx={{ typography: "h2", m: 0 }}>
            What to look at
          </Box>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {plan.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </Box>
        </Box>
      )}
    </>
  );
}

interface RoundHeadProps {
  readonly rounds: readonly PlannedRound[];
  readonly at: number;
  /** How many rounds were run. */
  readonly done: number;
  readonly onLook: (round: number) => void;
  readonly onRun: (rounds: number) => void;
}

/** Which round is shown, and whether it was run. */
function RoundHead({ rounds, at, done, onLook, onRun }: RoundHeadProps) {
  const shown = rounds[at];
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mb: 1 }}>
      <Box component="h2" sx={{ typography: "h2", m: 0 }}>
        Round {at + 1} of {rounds.length}
      </Box>
      <Button size="small" variant="outlined" disabled={at === 0} onClick={() => onLook(at - 1)}>
        Previous
      </Button>
      <Button size="small" variant="outlined" disabled={at >= rounds.length - 1} onClick={() => onLook(at + 1)}>
        Next
      </Button>
      <Box sx={{ flex: 1, color: "text.secondary" }}>
        {shown && `${shown.side} lead in front${shown.done ? "; done" : ""}`}
      </Box>
      <Button size="small" variant="outlined" onClick={() => onRun(shown?.done ? at : at + 1)}>
        {shown?.done ? "Not done after all" : at + 1 > done ? "Mark as done" : "Mark done up to here"}
      </Button>
    </Box>
  );
}

/** Where a plan is used. */
const Ways = ({ lesson }: { readonly lesson: string }) => (
  <>
    <Button variant="outlined" component={Link} to={`/class/${lesson}`}>
      Who is here
    </Button>
    <Button variant="outlined" component={Link} to={`/class/${lesson}/wall`}>
      On the wall
    </Button>
    <Button variant="outlined" component={Link} to={`/class/${lesson}/phones`}>
      On phones
    </Button>
    <Button variant="outlined" component={Link} to={`/class/${lesson}/cards`}>
      Cards to print
    </Button>
    <Button variant="contained" component={Link} to={`/class/${lesson}/sheet`}>
      Sheet to print
    </Button>
  </>
);

/** What the blocks before and after the work are called now. */
function named(blocks: readonly Block[]) {
  const titleOf = (kind: Block["kind"]) => blocks.find((one) => one.kind === kind)?.title;
  const [warmUp, close] = [titleOf("warm-up"), titleOf("close")];
  return { ...(warmUp ? { warmUp } : {}), ...(close ? { close } : {}) };
}

/** Packs the evening again round the blocks that are locked; null where none is. */
function packedRound(
  blocks: readonly Block[],
  minutes: number,
  rungs: PlanPage["rungs"],
  clock: Clock,
): readonly Block[] | null {
  const stay = blocks.filter((b) => b.locked);
  if (stay.length === 0) return null;
  const taken = stay.reduce((sum, b) => sum + b.minutes, 0);
  // What is there already is not packed a second time.
  const twice = stay.flatMap((b) => ({ "warm-up": WARM_UP, close: CLOSE, drink: DRINK, free: FREE, work: 0 })[b.kind]);
  const packed = packClass(
    minutes - taken + twice.reduce((sum, m) => sum + m, 0),
    rungs.map((r) => r.title),
    clock,
    { ...named(blocks), even: rungs.some((rung) => holdsWholeRound(rung, clock)), parts: partsOf(rungs) },
  );
  if (!packed.ok) return stay;
  const fresh = packed.blocks
    .filter((b) => b.kind === "work" || !stay.some((s) => s.kind === b.kind))
    .map((b) => (b.kind === "work" ? { ...b, id: crypto.randomUUID() } : b));
  return inOrder([...fresh, ...stay].sort((a, b) => (a.rung ?? 0) - (b.rung ?? 0)));
}
