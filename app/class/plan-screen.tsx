/** The plan of an evening: blocks, rounds, pairs, and what each person gets out of it. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import type { PlannedRound } from "#core/class/plan.ts";
import type { Block } from "#core/class/timetable.ts";
import type { PlanPage } from "#server/views.ts";
import { PAIR_WEIGHTS } from "#core/policy/pair-weights.ts";
import { useSettings } from "../ui/use-settings.ts";
import { swapCostIn } from "./swap-cost.ts";
import { shortDate } from "../ui/dates.ts";
import { menuLink, MoreMenu } from "../ui/more-menu.tsx";
import { Notice, ScreenHead } from "../ui/parts.tsx";
import { UndoButtons } from "../ui/undo-buttons.tsx";
import { WorkProgress } from "../ui/work-progress.tsx";
import { PairWeightSliders } from "./pair-weights.tsx";
import { LINE_MARKS, lineTexts } from "./sheet-layout.ts";
import { later } from "../ui/later.tsx";
import { MinutesChoice } from "./minutes-choice.tsx";
import { packedRound } from "./packed-round.ts";
import { HowLong, settingsText, WhatIsTrained } from "./plan-choices.tsx";
import { PlanBlocks } from "./plan-blocks.tsx";
import { PlanPairs } from "./plan-pairs.tsx";
import { PlanShares } from "./plan-shares.tsx";
import { usePlan } from "./use-plan.ts";

const KeepTemplate = later(async () => (await import("./keep-template.tsx")).KeepTemplate);

export function PlanScreen({ page }: { page: PlanPage }) {
  const { lesson, people } = page;
  const state = usePlan(page);
  const { work, plan } = state;
  useFilledAgain(page, state);
  return (
    <>
      <ScreenHead
        title={`Plan: ${lesson.title}`}
        lead={`${shortDate(lesson.held_on)}, ${lesson.minutes} minutes, ${people.length} here. ${
          state.busy ? "Saving…" : state.saved ? "Saved." : ""
        }`}
      >
        <MinutesChoice lesson={lesson} />
        <Ways lesson={lesson} />
      </ScreenHead>
      <PlanSettings
        page={page}
        state={state}
        onRefill={() => state.decide({ do: "blocks", blocks: refilled(page, state) })}
      />
      {page.over && (
        <Notice>
          This class is over: its log stays as it was, and nothing is saved from here. Copy it in the term.
        </Notice>
      )}
      <ThemeQuestion page={page} state={state} />
      {state.trouble && (
        <Notice tone="trouble" action={<Button onClick={state.again}>Try again</Button>}>
          {state.trouble}
        </Notice>
      )}
      {!plan && <WorkProgress work={work} doing="Planning the evening" not="The plan was not made." />}
      {work.result && !work.result.ok && <Notice tone="trouble">{work.result.message}</Notice>}
      {plan && <PlannedEvening page={page} state={state} plan={plan} />}
    </>
  );
}

interface PlannedProps {
  readonly page: PlanPage;
  readonly state: PlanState;
  readonly plan: NonNullable<PlanState["plan"]>;
}

/** The blocks on the left, one round at a time on the right. */
function PlannedEvening({ page, state, plan }: PlannedProps) {
  const { people, names } = page;
  const { rounds } = plan;
  const [round, setRound] = useState(0);
  const at = Math.min(round, Math.max(0, rounds.length - 1));
  const shown = rounds[at];
  const nameOf = (id: string) => names[id] ?? "Former member";
  const firstOf = (block: string) => rounds.findIndex((one) => one.block === block);
  return (
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
          rungs={page.rungs}
          state={state}
          nameOf={nameOf}
          levelOf={(id) => people.find((one) => one.id === id)?.level ?? 3}
          at={shown?.block ?? null}
          onLook={(block) => setRound(Math.max(0, firstOf(block)))}
        />
      </Box>
      <Box component="section" aria-label="Rounds" sx={{ px: { xs: 2, sm: 3 }, py: 2, minWidth: 0 }}>
        <RoundHead
          rounds={rounds}
          at={at}
          started={page.frozen.rounds.length}
          canSay={state.saved && !state.asks}
          onLook={setRound}
          onSay={state.say}
        />
        {shown && <RoundPairs page={page} state={state} rounds={rounds} at={at} nameOf={nameOf} />}
        <PlanShares shares={plan.shares} people={people} rounds={rounds.length} queue={plan.queue} />
      </Box>
    </Box>
  );
}

interface RoundPairsProps {
  readonly page: PlanPage;
  readonly state: PlanState;
  readonly rounds: readonly PlannedRound[];
  readonly at: number;
  readonly nameOf: (id: string) => string;
}

/** The pairs of a round, with what may be decided of them. */
function RoundPairs({ page, state, rounds, at, nameOf }: RoundPairsProps) {
  const { settings } = useSettings();
  const pairing = { ...PAIR_WEIGHTS, ...settings.pairing };
  const round = rounds[at]!;
  return (
    <PlanPairs
      round={round}
      at={at}
      begun={at < page.frozen.rounds.length}
      rungs={page.rungs}
      nameOf={nameOf}
      onLock={(pair, on) => state.decide({ do: "lock", at, pair, on })}
      onSwap={(one, other) => state.decide({ do: "swap", at, round, two: [one, other] })}
      steps={state.steps}
      onStep={(who, by) => state.decide({ do: "step", who, by })}
      costOf={(one, two) => swapCostIn(page, { rounds, at }, pairing, [one, two])}
    />
  );
}

type PlanState = ReturnType<typeof usePlan>;

interface PlanSettingsProps {
  readonly page: PlanPage;
  readonly state: PlanState;
  readonly onRefill: () => void;
}

/** What is worked on; the settings of the evening behind a button that says them in a few words. */
function PlanSettings({ page, state, onRefill }: PlanSettingsProps) {
  const [folded, setFolded] = useState(true);
  return (
    <>
      <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", px: { xs: 2, sm: 3 }, pb: 1.5, alignItems: "end" }}>
        <WhatIsTrained page={page} />
        <Button variant="outlined" aria-expanded={folded === false} onClick={() => setFolded(!folded)}>
          {folded ? `Change: ${settingsText(page, state)}` : "Hide the settings"}
        </Button>
      </Stack>
      {!folded && (
        <Box component="section" aria-label="Settings of the plan" sx={{ px: { xs: 2, sm: 3 }, pb: 1.5 }}>
          <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", alignItems: "end" }}>
            <HowLong page={page} state={state} />
            <Button variant="outlined" onClick={onRefill}>
              Re-plan to fill the time
            </Button>
          </Stack>
          <Box component="details" sx={{ mt: 1.5 }}>
            <Box component="summary" sx={{ cursor: "pointer" }}>
              Pairing rules
            </Box>
            <PairWeightSliders />
          </Box>
        </Box>
      )}
    </>
  );
}

interface EveningProps {
  readonly plan: NonNullable<PlanState["plan"]>;
  readonly rungs: PlanPage["rungs"];
  readonly state: PlanState;
  readonly nameOf: (id: string) => string;
  readonly levelOf: (id: string) => number;
  /** The block of the round that is shown. */
  readonly at: string | null;
  readonly onLook: (block: string) => void;
}

/** The blocks of the evening, what time is left, and what to look at. */
function Evening({ plan, rungs, state, at, onLook, nameOf, levelOf }: EveningProps) {
  return (
    <>
      <Stack direction="row" spacing={1} sx={{ alignItems: "baseline", mb: 0.5 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          The evening
        </Typography>
        <UndoButtons undo={state.undo} redo={state.redo} />
        <Box sx={{ color: plan.left < 0 ? "verdict.invalid" : "text.secondary" }}>
          {plan.left < 0 ? `${-plan.left} min too long` : plan.left === 0 ? "fills the time" : `${plan.left} min left`}
        </Box>
      </Stack>
      {plan.check && <Box sx={{ color: "text.secondary", pb: 0.5 }}>{plan.check}</Box>}
      <PlanBlocks
        blocks={plan.blocks}
        rungs={rungs}
        clock={state.clock}
        at={at}
        onLook={onLook}
        onChange={(blocks) => state.decide({ do: "blocks", blocks })}
      />
      {(plan.lines ?? []).length > 0 && (
        <Box component="section" aria-label="The lines" sx={{ pt: 1 }}>
          <Typography variant="h2">The lines at the start</Typography>
          {lineTexts(plan, nameOf, levelOf).map((line) => (
            <Box key={line} sx={{ py: 0.25 }}>
              {line}
            </Box>
          ))}
          <Box sx={{ color: "text.secondary" }}>{LINE_MARKS}</Box>
        </Box>
      )}
      {plan.notes.length > 0 && (
        <Box component="section" aria-label="What to look at" sx={{ pt: 1 }}>
          <Typography variant="h2">What to look at</Typography>
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
  /** How many rounds were run or are under way. */
  readonly started: number;
  /** The plan that is shown is the one that is kept. */
  readonly canSay: boolean;
  readonly onLook: (round: number) => void;
  readonly onSay: (what: "done" | "taken back", round: number) => void;
}

/** Another theme in the middle of a class: nothing is kept until somebody says that they mean it. */
function ThemeQuestion({ page, state }: { readonly page: PlanPage; readonly state: PlanState }) {
  if (!state.asks) return null;
  return (
    <Notice
      tone="trouble"
      action={
        <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap" }}>
          <Button variant="contained" onClick={() => state.decide({ do: "mean" })} disabled={!state.plan}>
            Change the theme from the next round
          </Button>
          <Button variant="outlined" component={Link} to={`/class/${page.lesson.id}/plan`}>
            Keep it as it is
          </Button>
        </Stack>
      }
    >
      This class is running. {staysText(page.frozen.rounds.length)} Another theme begins after the round under way, with
      time to change gear and a talk. Nothing is kept until you say so.
    </Notice>
  );
}

/** Blocks that have begun stay where the time is filled again. */
const withBegun = (blocks: readonly Block[], { frozen }: PlanPage): readonly Block[] =>
  blocks.map((block) => (frozen.blocks.some(({ id }) => id === block.id) ? { ...block, locked: true } : block));

/** Fills the evening again as soon as it is longer or shorter. */
function useFilledAgain(page: PlanPage, state: PlanState): void {
  const filled = useRef(page.lesson.minutes);
  useEffect(() => {
    if (filled.current === page.lesson.minutes) return;
    filled.current = page.lesson.minutes;
    state.decide({ do: "blocks", blocks: refilled(page, state) });
  }, [page, state]);
}

/** The minutes filled again round what stays. */
const refilled = (page: PlanPage, { blocks, plan, clock, begin }: PlanState) =>
  packedRound(withBegun(blocks ?? plan?.blocks ?? [], page), {
    minutes: page.lesson.minutes,
    rungs: page.rungs.filter(({ past }) => !past),
    clock,
    people: page.people,
    begin,
  });

const staysText = (rounds: number): string =>
  rounds === 0 ? "" : rounds === 1 ? "Round 1 stays as it was run." : `Rounds 1 to ${rounds} stay as they were run.`;

/** Which round is shown, and whether it was run. */
function RoundHead({ rounds, at, started, canSay, onLook, onSay }: RoundHeadProps) {
  const shown = rounds[at];
  const begun = at < started;
  return (
    <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "center", mb: 1 }}>
      <Typography variant="h2">
        Round {at + 1} of {rounds.length}
      </Typography>
      <Button size="small" variant="outlined" disabled={at === 0} onClick={() => onLook(at - 1)}>
        Previous
      </Button>
      <Button size="small" variant="outlined" disabled={at >= rounds.length - 1} onClick={() => onLook(at + 1)}>
        Next
      </Button>
      <Box sx={{ flex: 1, color: "text.secondary" }}>
        {shown && `${shown.side} lead in front${shown.done ? "; done" : begun ? "; under way" : ""}`}
      </Box>
      <Button
        size="small"
        variant="outlined"
        disabled={!canSay}
        onClick={() => onSay(begun ? "taken back" : "done", at)}
      >
        {begun ? "Not done after all" : at === started ? "Mark as done" : "Mark done up to here"}
      </Button>
    </Stack>
  );
}

/** Where a plan is used: it is run; the rest is needed before that, or on paper. */
function Ways({ lesson: { id: lesson, held_on } }: Pick<PlanPage, "lesson">) {
  const [keeps, setKeeps] = useState(false);
  return (
    <>
      <MoreMenu>
        {menuLink(`/class/${lesson}`, "Who is here")}
        {menuLink(`/class/${lesson}/wall`, "Wall screen")}
        {menuLink(`/class/${lesson}/phones`, "Send to phones")}
        {menuLink(`/class/${lesson}/cards`, "Cards to print")}
        <MenuItem onClick={() => setKeeps(true)}>Keep as a template</MenuItem>
      </MoreMenu>
      <Button variant="outlined" component={Link} to={`/class/${lesson}/sheet`}>
        Sheet to print
      </Button>
      <Button variant="contained" component={Link} to={`/class/${lesson}/floor`}>
        Start class
      </Button>
      {keeps && <KeepTemplate lesson={{ id: lesson, held_on }} onClose={() => setKeeps(false)} />}
    </>
  );
}
