/** The ladder itself: rungs in even steps, what each changes, others that can stand in its place. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import LinearProgress from "@mui/material/LinearProgress";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { lazy, Suspense, useEffect, useState } from "react";
import { LADDER_DEFAULTS } from "#core/vary/ladder.ts";
import { OPERATOR_NAMES, OPERATORS, type OperatorId } from "#core/vary/operator-names.ts";
import { Notice } from "../ui/parts.tsx";
import { ask } from "../workers/client.ts";
import type { LadderView, RungView, ChangeView } from "../workers/protocol.ts";
import { RungItem } from "./rung-item.tsx";

const LoadChart = lazy(() => import("./load-chart.tsx"));

interface Wishes {
  readonly rungs: number;
  readonly goal: number;
  readonly seed: number;
  readonly operators: readonly OperatorId[];
}
const GOALS = [
  { value: 1, label: "the whole drill" },
  { value: 1.25, label: "a quarter harder" },
  { value: 1.5, label: "half as hard again" },
  { value: 2, label: "twice as hard" },
];
const nameOf = (operator: RungView["operator"]): string =>
  operator === null ? "To begin with" : operator === "rows" ? "More of the drill" : OPERATOR_NAMES[operator];

export function LadderPlan({ text, revisionId }: { text: string; revisionId: string }) {
  const [wishes, setWishes] = useState<Wishes>({ ...LADDER_DEFAULTS, goal: 1.5 });
  const { ladder, share, trouble, cancel, again } = useLadder(text, wishes);
  const [swapped, setSwapped] = useState<Readonly<Record<number, ChangeView>>>({});
  useEffect(() => setSwapped({}), [ladder]);
  const set = (part: Partial<Wishes>) => setWishes({ ...wishes, ...part });
  const rungs = ladder?.ok ? ladder.rungs.map((r, i) => shown(r, swapped[i])) : [];
  const most = Math.max(1, ...rungs.map((r) => r.view.load.total));
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, px: { xs: 2, sm: 3 }, py: 2, alignItems: "center" }}>
        <TextField
          select
          size="small"
          label="Rungs"
          value={wishes.rungs}
          onChange={(event) => set({ rungs: Number(event.target.value) })}
          sx={{ width: 90 }}
        >
          {[3, 4, 5, 6, 8, 10, 12].map((n) => (
            <MenuItem key={n} value={n}>
              {n}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="Up to"
          value={wishes.goal}
          onChange={(event) => set({ goal: Number(event.target.value) })}
          sx={{ width: 190 }}
        >
          {GOALS.map((g) => (
            <MenuItem key={g.value} value={g.value}>
              {g.label}
            </MenuItem>
          ))}
        </TextField>
        <Button variant="outlined" onClick={() => set({ seed: wishes.seed + 1 })}>
          Another ladder
        </Button>
        <Allowed operators={wishes.operators} onChange={(operators) => set({ operators })} />
      </Box>
      {trouble && (
        <Notice tone="trouble" action={<Button onClick={again}>Try again</Button>}>
          {trouble}
        </Notice>
      )}
      {share !== null && (
        <Box sx={{ px: 3, py: 2, display: "flex", gap: 2, alignItems: "center" }}>
          <LinearProgress
            variant="determinate"
            value={Math.round(share * 100)}
            aria-label="Looking for even steps"
            sx={{ flex: 1, height: 8 }}
          />
          <Button variant="outlined" onClick={cancel}>
            Cancel
          </Button>
        </Box>
      )}
      {share === null && !ladder && !trouble && (
        <Notice action={<Button onClick={again}>Make it</Button>}>The ladder was not made.</Notice>
      )}
      {ladder && !ladder.ok && <Notice tone="trouble">{ladder.message}</Notice>}
      {ladder?.ok && (
        <>
          {ladder.partial && <Notice>The drill has errors: the ladder starts from the rows that are sound.</Notice>}
          {Object.keys(swapped).length > 0 && (
            <Notice action={<Button onClick={() => setSwapped({})}>Back to how it was found</Button>}>
              A rung was changed by hand: the rungs after it still come from the one that stood there.
            </Notice>
          )}
          {ladder.notes.map((note) => (
            <Notice key={note}>{note}</Notice>
          ))}
          <Suspense fallback={<Box sx={{ height: 240 }} />}>
            <LoadChart rungs={rungs} />
          </Suspense>
          <Box component="ol" aria-label="Rungs" sx={{ listStyle: "none", m: 0, px: { xs: 2, sm: 3 }, pb: 4 }}>
            {rungs.map((r, i) => (
              <RungItem
                key={`${i}${r.text}`}
                rung={{ ...r, operator: r.operator ?? "start" }}
                name={`${i + 1}. ${nameOf(r.operator)}`}
                before={i === 0 ? { text, view: null } : { text: rungs[i - 1]!.text, view: rungs[i - 1]!.view }}
                most={most}
                revisionId={revisionId}
                more={
                  ladder.rungs[i]!.alternatives.length > 0 && (
                    <Others
                      others={ladder.rungs[i]!.alternatives}
                      chosen={swapped[i] ?? null}
                      onChoose={(v) => setSwapped(v ? { ...swapped, [i]: v } : without(swapped, i))}
                    />
                  )
                }
              />
            ))}
          </Box>
        </>
      )}
    </>
  );
}

const without = (swapped: Readonly<Record<number, ChangeView>>, place: number) =>
  Object.fromEntries(Object.entries(swapped).filter(([key]) => Number(key) !== place));

/** The rung as it stands, or the one that was put in its place. */
const shown = (rung: RungView, other: ChangeView | undefined): ChangeView => other ?? rung;

function Others({
  others,
  chosen,
  onChoose,
}: {
  others: readonly ChangeView[];
  chosen: ChangeView | null;
  onChoose: (other: ChangeView | null) => void;
}) {
  return (
    <Box sx={{ pl: { xs: 0, md: 5 }, mt: 0.5 }}>
      <TextField
        select
        variant="standard"
        size="small"
        value={chosen?.text ?? ""}
        onChange={(event) => onChoose(others.find((o) => o.text === event.target.value) ?? null)}
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

function Allowed({
  operators,
  onChange,
}: {
  operators: readonly OperatorId[];
  onChange: (operators: readonly OperatorId[]) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button variant="outlined" aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? "Hide what may change" : `What may change: ${operators.length} of ${OPERATORS.length}`}
      </Button>
      {open && (
        <Box role="group" aria-label="What may change" sx={{ width: "100%", columns: "230px", columnGap: 2 }}>
          {OPERATORS.map((id) => (
            <FormControlLabel
              key={id}
              sx={{ display: "flex", m: 0 }}
              label={OPERATOR_NAMES[id]}
              control={
                <Checkbox
                  size="small"
                  checked={operators.includes(id)}
                  onChange={(event) =>
                    onChange(event.target.checked ? [...operators, id] : operators.filter((o) => o !== id))
                  }
                />
              }
            />
          ))}
        </Box>
      )}
    </>
  );
}

function useLadder(text: string, wishes: Wishes) {
  const [ladder, setLadder] = useState<LadderView | null>(null);
  const [share, setShare] = useState<number | null>(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [stop, setStop] = useState<AbortController | null>(null);
  const [turn, setTurn] = useState(0);
  const wanted = JSON.stringify(wishes);
  useEffect(() => {
    const control = new AbortController();
    let overtaken = false;
    setStop(control);
    setShare(0);
    setTrouble(null);
    ask("ladder", { text, wishes: JSON.parse(wanted) as Wishes }, { progress: setShare, signal: control.signal }).then(
      (found) => {
        setLadder(found);
        setShare(null);
      },
      (error: Error) => {
        // One that was overtaken leaves the progress of the newer one alone.
        if (overtaken) return;
        setShare(null);
        if (error.name !== "AbortError") setTrouble(error.message);
      },
    );
    return () => {
      overtaken = true;
      control.abort();
    };
  }, [text, wanted, turn]);
  return { ladder, share, trouble, cancel: () => stop?.abort(), again: () => setTurn(turn + 1) };
}
