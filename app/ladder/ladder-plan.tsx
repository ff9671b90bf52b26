/** The ladder itself: rungs in even steps, what each changes, others that can stand in its place. */
import CheckOutlined from "@mui/icons-material/CheckOutlined";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { GOALS, LADDER_DEFAULTS, type KeptRung } from "#core/ladder/ladder-options.ts";
import { OPERATOR_NAMES } from "#core/vary/operator-names.ts";
import { Notice } from "../ui/parts.tsx";
import { WorkProgress } from "../ui/work-progress.tsx";
import { useLongWork } from "../workers/use-long-work.ts";
import type { ChangeView, RungView } from "../workers/questions/ladder.ts";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { LadderPath, rungAnchor } from "./ladder-path.tsx";
import { LoadChart } from "./load-chart.tsx";
import { RungCoaching } from "./rung-coaching.tsx";
import { RungItem } from "./rung-item.tsx";
import { TakeLadder, type ClassChoice } from "./take-ladder.tsx";
import { toolsFrom, WishBar, type Wishes } from "./wishes.tsx";
import { ForTeachers } from "../ui/role.tsx";
import { Rows } from "../ui/rows.tsx";

const nameOf = (operator: RungView["operator"]): string =>
  operator === null ? "Start" : operator === "rows" ? "Next part of the drill" : OPERATOR_NAMES[operator];

interface PlanProps {
  readonly title: string;
  readonly text: string;
  readonly revisionId: string;
  readonly gear: readonly { readonly kind: string; readonly count: number }[];
  readonly classes: readonly ClassChoice[];
  readonly today: string;
}
/** Rungs that stay: from the first up to the last one that is pinned. */
interface Pins {
  readonly kept: readonly KeptRung[];
  readonly pins: readonly number[];
}
const NO_PINS: Pins = { kept: [], pins: [] };

export function LadderPlan({ title, text, revisionId, gear, classes, today }: PlanProps) {
  const [wishes, setWishes] = useState<Wishes>({
    ...LADDER_DEFAULTS,
    goal: "half",
    tools: toolsFrom(gear),
  });
  const [{ kept, pins }, setPins] = useState<Pins>(NO_PINS);
  const work = useLongWork("ladder", { text, wishes: { ...wishes, goal: GOALS[wishes.goal].goal, kept, pins } });
  const ladder = work.result;
  const rungs: readonly RungView[] = ladder?.ok ? ladder.rungs : [];
  /** Pins `place`, with another change in it where one is given; what stood there before stays on the way to it. */
  const pin = (place: number, other: ChangeView | null) => {
    const all = [...new Set([...pins, place])].sort((a, b) => a - b);
    const last = other ? place : all[all.length - 1]!;
    const stay = rungs.slice(0, last + 1).map((r, i) => keptOf(i === place && other ? other : r));
    setPins({ kept: stay, pins: all.filter((p) => p <= last) });
  };
  const unpin = (place: number) => {
    const left = pins.filter((p) => p !== place);
    setPins(left.length === 0 ? NO_PINS : { kept: kept.slice(0, left[left.length - 1]! + 1), pins: left });
  };
  return (
    <>
      <Box sx={NOT_ON_PAPER}>
        <WishBar wishes={wishes} onChange={(part) => setWishes({ ...wishes, ...part })} />
      </Box>
      <WorkProgress work={work} doing="Looking for even steps" not="The ladder was not made." />
      {ladder && !ladder.ok && (
        <Notice
          tone="trouble"
          action={pins.length > 0 ? <Button onClick={() => setPins(NO_PINS)}>Keep none</Button> : undefined}
        >
          {ladder.message}
        </Notice>
      )}
      {ladder?.ok && (
        <>
          {pins.length > 0 && (
            <Notice action={<Button onClick={() => setPins(NO_PINS)}>Keep none</Button>}>
              {pins.length === 1 ? `Rung ${pins[0]! + 1} stays` : `Rungs ${pins.map((p) => p + 1).join(", ")} stay`};
              the others were made again around it.
            </Notice>
          )}
          {ladder.notes.length > 0 && (
            <Notice>
              {ladder.notes.map((note) => (
                <div key={note}>{note}</div>
              ))}
            </Notice>
          )}
          <LadderPath rungs={rungs} pins={pins} />
          <ForTeachers>
            <TakeLadder
              key={rungs.map((r) => r.text).join()}
              title={title}
              revisionId={revisionId}
              seed={wishes.seed}
              rungs={rungs}
              classes={classes}
              today={today}
            />
          </ForTeachers>
          <Rungs {...{ text, rungs, pins, revisionId, pin, unpin }} />
          <Box component="details" sx={{ px: { xs: 2, sm: 3 }, pb: 4, ...NOT_ON_PAPER }}>
            <Box component="summary" sx={{ cursor: "pointer", py: 1 }}>
              What makes each rung hard
            </Box>
            <LoadChart rungs={rungs} goal={ladder.top} />
          </Box>
        </>
      )}
    </>
  );
}

interface RungsProps {
  /** The drill that the ladder is made of. */
  readonly text: string;
  readonly rungs: readonly RungView[];
  readonly pins: readonly number[];
  readonly revisionId: string;
  readonly pin: (place: number, other: ChangeView | null) => void;
  readonly unpin: (place: number) => void;
}

/** The rungs in order, each with what may be done with it. */
function Rungs({ text, rungs, pins, revisionId, pin, unpin }: RungsProps) {
  const most = Math.max(1, ...rungs.map((r) => r.view.load.total));
  return (
    <Rows ordered aria-label="Rungs" sx={{ px: { xs: 2, sm: 3 }, pb: 2 }}>
      {rungs.map((r, i) => (
        <RungItem
          key={`${i}${r.text}`}
          anchor={rungAnchor(i)}
          rung={{ ...r, operator: r.operator ?? "start" }}
          place={i + 1}
          before={i === 0 ? { text, view: null } : { text: rungs[i - 1]!.text, view: rungs[i - 1]!.view }}
          most={most}
          revisionId={revisionId}
          actions={
            <Button
              size="small"
              variant="outlined"
              startIcon={pins.includes(i) ? <CheckOutlined /> : undefined}
              aria-pressed={pins.includes(i)}
              aria-label={`Keep rung ${i + 1}`}
              onClick={() => (pins.includes(i) ? unpin(i) : pin(i, null))}
            >
              {pins.includes(i) ? "Kept" : "Keep this rung"}
            </Button>
          }
          more={
            <>
              <RungCoaching text={r.text} before={rungs[i - 1]?.text ?? null} coaching={r.coaching} />
              {r.alternatives.length > 0 && <Others others={r.alternatives} onChoose={(other) => pin(i, other)} />}
            </>
          }
        />
      ))}
    </Rows>
  );
}

const keptOf = ({ text, operator, changed, rows }: ChangeView): KeptRung => ({ text, operator, changed, rows });

function Others({ others, onChoose }: { others: readonly ChangeView[]; onChoose: (other: ChangeView) => void }) {
  return (
    <Box sx={{ pl: { xs: 0, md: 5 }, mt: 0.5, ...NOT_ON_PAPER }}>
      <TextField
        select
        variant="standard"
        value=""
        onChange={(event) => {
          const other = others.find((o) => o.text === event.target.value);
          if (other) onChoose(other);
        }}
        slotProps={{ select: { displayEmpty: true }, htmlInput: { "aria-label": "Another change in its place" } }}
        sx={{ minWidth: 260, maxWidth: "100%" }}
      >
        <MenuItem value="">Another change in its place…</MenuItem>
        {others.map((o) => (
          <MenuItem key={o.text} value={o.text}>
            {o.view.load.total.toFixed(1)} · {nameOf(o.operator)}: {o.changed}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}
