/** Reaction times on pads with sensors, beside what the check reckons with: as bars, and as a table. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useMemo, useState } from "react";
import { padSums, type PadAnswer, type ReactTime } from "#core/floor/pads.ts";
import { ChartLater } from "../ui/chart-later.tsx";
import { DataTable } from "../ui/data-table.tsx";
import { Notice } from "../ui/parts.tsx";
import { useAnswer } from "../workers/use-answer.ts";
import { USUAL_ADDRESS, type Pads } from "./use-pads.ts";

/** Most bars: the last calls. */
const BARS = 30;
const seconds = (ms: number | null): string => (ms === null ? "–" : `${(ms / 1000).toFixed(2)} s`);

interface PanelProps {
  readonly pads: Pads;
  /** The drill that is called. */
  readonly text: string;
}

export function PadsPanel({ pads, text }: PanelProps) {
  const [address, setAddress] = useState(USUAL_ADDRESS);
  return (
    <Box component="section" aria-label="Pads with sensors" sx={{ pt: 1 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Pads with sensors
      </Typography>
      <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "end" }}>
        {pads.state === "off" ? (
          <>
            <TextField
              label="Address of the pads"
              value={address}
              onChange={(event) => setAddress(event.target.value)}
            />
            <Button variant="outlined" onClick={() => pads.connect(address.trim())}>
              Connect
            </Button>
            <Button variant="outlined" onClick={pads.midi}>
              By MIDI
            </Button>
          </>
        ) : (
          <>
            <Box role="status">{pads.state === "on" ? `${pads.name || "Pads"} listen.` : "Looking for the pads…"}</Box>
            <Button variant="outlined" onClick={pads.end}>
              Let go of them
            </Button>
            <Button variant="outlined" disabled={pads.answers.length === 0} onClick={pads.clear}>
              Begin again
            </Button>
          </>
        )}
      </Stack>
      {pads.trouble && <Notice tone="trouble">{pads.trouble}</Notice>}
      {pads.answers.length > 0 && <Reactions answers={pads.answers} text={text} />}
    </Box>
  );
}

function Reactions({ answers, text }: { readonly answers: readonly PadAnswer[]; readonly text: string }) {
  const question = useMemo(() => ({ text }), [text]);
  const { answer: found } = useAnswer("reactTime", question);
  const shown = answers.slice(-BARS);
  const time = found?.time ?? null;
  const bars = (kind: PadAnswer["kind"]) => shown.map((one) => (one.kind === kind ? (one.after ?? 0) / 1000 : 0));
  const labels = [...new Set(answers.map(({ label }) => label))];
  return (
    <>
      <Box sx={{ py: 1 }}>{sumText(answers, time, found?.tempo ?? 1)}</Box>
      <ChartLater
        label={`From call to hit: ${shown.map((one) => `${one.label} ${one.kind === "missed" ? "missed" : seconds(one.after)}`).join(", ")}`}
        series={[
          { name: "right pad", data: bars("right") },
          { name: "wrong pad", data: bars("wrong") },
        ]}
        shades={[0.95, 0.3]}
        categories={shown.map(
          (one, i) => `${answers.length - shown.length + i + 1}${one.kind === "missed" ? " ×" : ""}`,
        )}
        decimals={2}
        legend="top"
        {...(time ? { line: { at: time.allowed / 1000, words: `there are ${seconds(time.allowed)}` } } : {})}
      />
      <DataTable
        label="Reaction times as a table"
        heads={["Call", "Times", "Right", "Wrong pad", "Missed", "In the middle", "Half of them within"]}
        rows={labels.map((label) => {
          const own = answers.filter((one) => one.label === label);
          const { right, wrong, missed, median, spread } = padSums(own);
          return { key: label, cells: [label, own.length, right, wrong, missed, seconds(median), seconds(spread)] };
        })}
      />
    </>
  );
}

/** What the numbers say, in a sentence or two. */
function sumText(answers: readonly PadAnswer[], time: ReactTime | null, tempo: number): string {
  const { right, wrong, missed, median } = padSums(answers);
  const counted = `${answers.length} called: ${right} right, ${wrong} on the wrong pad, ${missed} missed.`;
  if (median === null) return counted;
  if (time === null) return `${counted} In the middle ${seconds(median)}.`;
  const most = Math.min(1, (time.allowed * tempo) / median);
  return `${counted} In the middle ${seconds(median)}; at ${Math.round(tempo * 100)}% there are ${seconds(time.allowed)} until the answer must begin, and the check reckons with ${seconds(time.reckoned)}. By these times it works up to ${Math.floor(most * 100)}%.`;
}
