/** Calls for a drill: fair, without a pattern, on a clock; to read out, to print, and as files. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import Stack from "@mui/material/Stack";
import TextField from "@mui/material/TextField";
import Typography from "@mui/material/Typography";
import { useEffect, useMemo, useState } from "react";
import { Link } from "react-router";
import {
  CALL_DEFAULTS,
  callRound,
  REPEATS,
  type CallItem,
  type CallLabel,
  type CallOptions,
  type CallRound,
} from "#core/calls/calls.ts";
import { callsCsv, callsMidi, callsText, callsVtt } from "#core/calls/exports.ts";
import type { DrillCalls } from "#core/calls/labels.ts";
import { fileName } from "#core/formats/file-name.ts";
import { CAUTIONS } from "#core/class/cautions.ts";
import { download } from "../paper/download.ts";
import { Notice, ScreenHead, WordChoice } from "../ui/parts.tsx";
import { ask } from "../workers/client.ts";
import { Row, Rows } from "../ui/rows.tsx";

interface CallsProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

const SWITCHES = [null, 15, 30, 60, 90] as const;

export function CallsScreen({ id, title, text }: CallsProps) {
  const [choices, setChoices] = useState<DrillCalls["choices"]>([]);
  const [labels, setLabels] = useState<readonly CallLabel[] | null>(null);
  const [options, setOptions] = useState<Omit<CallOptions, "labels">>(CALL_DEFAULTS);
  useEffect(() => {
    void ask("drillCalls", { text }).then(
      ({ choices: found, turns, rotates }) => {
        setChoices(found);
        setLabels(found[0]?.labels ?? []);
        setOptions((now) => ({ ...now, turns, rotates }));
      },
      () => setLabels([]),
    );
  }, [text]);
  const result = useMemo(() => labels && callRound({ ...options, labels }), [labels, options]);
  const set = (part: Partial<CallOptions>) => setOptions({ ...options, ...part });
  const round = result?.ok ? result.round : null;
  return (
    <>
      <ScreenHead
        title={`Calls for ${title}`}
        lead="Everybody gets a fair share of each call, and nobody can guess the next one."
      >
        <Button
          variant="outlined"
          onClick={() => set({ seed: options.seed + 1 })}
          title="The number of the round brings the same calls back"
        >
          Another round
        </Button>
        <Files round={round} title={title} />
        <Button variant="outlined" onClick={() => window.print()} disabled={!round}>
          Print
        </Button>
        <Button variant="outlined" component={Link} to={`/drills/${id}`}>
          Back to the desk
        </Button>
        <Button variant="contained" component={Link} to={`/drills/${id}/clock`}>
          Start the clock
        </Button>
      </ScreenHead>
      {result && !result.ok && <Notice tone="trouble">{result.message}</Notice>}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", md: "340px minmax(0,1fr)" },
          gap: 4,
          px: { xs: 2, sm: 3 },
          pb: 4,
        }}
      >
        <Box component="section" aria-label="What is called and how" sx={{ "@media print": { display: "none" } }}>
          {choices.length > 1 && <Choice choices={choices} onChoose={setLabels} />}
          <Labels labels={labels ?? []} onChange={setLabels} />
          <Settings options={options} onChange={set} />
        </Box>
        <Box component="section" aria-label="The round">
          {round && <Round round={round} seed={options.seed} />}
        </Box>
      </Box>
    </>
  );
}

/** One choice of the drill is called at a time. */
function Choice({
  choices,
  onChoose,
}: Pick<DrillCalls, "choices"> & { onChoose: (labels: readonly CallLabel[]) => void }) {
  const [at, setAt] = useState(0);
  return (
    <TextField
      select
      fullWidth
      label="What is called"
      value={at}
      onChange={(event) => {
        const place = Number(event.target.value);
        setAt(place);
        onChoose(choices[place]!.labels);
      }}
      sx={{ mb: 2 }}
    >
      {choices.map(({ name }, i) => (
        <MenuItem key={name} value={i}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}

function Labels({
  labels,
  onChange,
}: {
  labels: readonly CallLabel[];
  onChange: (labels: readonly CallLabel[]) => void;
}) {
  const [name, setName] = useState("");
  return (
    <>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Calls and how often
      </Typography>
      <Rows>
        {labels.map((label, i) => (
          <Row key={label.name} sx={{ display: "flex", alignItems: "center", py: 0.25 }}>
            <Box sx={{ flex: 1, color: label.weight === 0 ? "text.secondary" : "text.primary" }}>{label.name}</Box>
            <WordChoice
              label={`How often ${label.name}`}
              options={WEIGHTS}
              value={String(label.weight)}
              onChange={(weight) => onChange(labels.map((l, k) => (k === i ? { ...l, weight: Number(weight) } : l)))}
            />
          </Row>
        ))}
      </Rows>
      <Stack
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          const added = name.trim();
          if (added !== "" && !labels.some((l) => l.name === added)) onChange([...labels, { name: added, weight: 1 }]);
          setName("");
        }}
        direction="row"
        spacing={1}
        sx={{ my: 1.5, alignItems: "end" }}
      >
        <TextField label="Another call" value={name} onChange={(e) => setName(e.target.value)} />
        <Button type="submit" variant="outlined">
          Add
        </Button>
      </Stack>
    </>
  );
}

const WEIGHTS = ["0", "1", "2", "3"].map((value) => ({ value, label: value === "0" ? "never" : `${value}×` }));
const WINDOWS = [
  { value: "3", label: "threes" },
  { value: "2", label: "pairs" },
] as const;

function Settings({
  options,
  onChange,
}: {
  options: Omit<CallOptions, "labels">;
  onChange: (part: Partial<CallOptions>) => void;
}) {
  const number = (label: string, value: number, set: (value: number) => void, step = 1) => (
    <TextField
      type="number"
      label={label}
      value={value}
      onChange={(event) => set(Number(event.target.value))}
      slotProps={{ htmlInput: { step, min: 0 } }}
    />
  );
  return (
    <>
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 1.5 }}>
        {number("How many calls", options.count, (count) => onChange({ count }))}
        {number("Seconds between", options.gap, (gap) => onChange({ gap }), 0.5)}
        {number("Gaps differ by, %", Math.round(options.jitter * 100), (p) => onChange({ jitter: p / 100 }), 5)}
        {number("Feints before, %", Math.round(options.feints * 100), (p) => onChange({ feints: p / 100 }), 5)}
        <TextField
          select
          label={options.rotates ? "Rotate" : "Switch roles"}
          value={options.switchEvery ?? 0}
          onChange={(event) => onChange({ switchEvery: Number(event.target.value) || null })}
        >
          {SWITCHES.map((s) => (
            <MenuItem key={s ?? 0} value={s ?? 0}>
              {s === null ? "not called" : `every ${s} s`}
            </MenuItem>
          ))}
        </TextField>
        {number("Round number", options.seed, (seed) => onChange({ seed: Math.max(1, Math.trunc(seed)) }))}
      </Box>
      <WordChoice
        label="The same call again"
        options={REPEATS.map((value) => ({ value, label: value === "any" ? "any repeats" : value }))}
        value={options.repeat}
        onChange={(repeat) => onChange({ repeat })}
      />
      <Stack direction="row" spacing={1.5} sx={{ alignItems: "center" }}>
        Equally often:
        <WordChoice
          label="What comes equally often"
          options={WINDOWS}
          value={String(options.windows) as "2" | "3"}
          onChange={(w) => onChange({ windows: w === "2" ? 2 : 3 })}
        />
      </Stack>
    </>
  );
}

const minutes = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}`;
const percent = (share: number): string => `${Math.round(share * 100)}%`;

function Round({ round, seed }: { round: CallRound; seed: number }) {
  const { guesses, shares, seconds, notes, items } = round;
  return (
    <>
      <Typography variant="h2">
        Round {seed}: {minutes(seconds)} minutes
      </Typography>
      <Box sx={{ color: "text.secondary" }}>
        {shares.map((s) => `${s.name} ${s.times}×`).join(", ")}. Who guesses by what usually follows one call is right{" "}
        {percent(guesses.afterOne)} of the time, by two {percent(guesses.afterTwo)}; chance is {percent(guesses.chance)}
        . Who remembers the whole round and counts what is left: {percent(guesses.counting)}.
      </Box>
      {notes.map((note) => (
        <Box key={note} role="status" sx={{ mt: 0.5, pl: 1.5, borderLeft: 3, borderColor: "verdict.risky" }}>
          {note}
        </Box>
      ))}
      <Rows ordered aria-label="Calls in order" sx={{ mt: 2, columns: "170px", columnGap: 3, fontSize: "1.15rem" }}>
        {items.map((item, i) => (
          <Stack
            component="li"
            key={i}
            direction="row"
            spacing={1.5}
            sx={{
              breakInside: "avoid",
              py: 0.25,
              ...(item.kind === "switch" ? { borderTop: 2, borderColor: "primary.main", fontWeight: 700 } : {}),
            }}
          >
            <Box component="span" sx={{ color: "text.secondary", width: 48, flex: "none", textAlign: "right" }}>
              {minutes(item.at)}
            </Box>
            {words(item)}
          </Stack>
        ))}
      </Rows>
      <Box sx={{ display: "none", "@media print": { display: "block", mt: 2 } }}>
        <strong>{CAUTIONS[0]}</strong> {CAUTIONS[1]}
      </Box>
    </>
  );
}

function words({ kind, label, by }: CallItem): string {
  if (kind === "switch") return label;
  return kind === "feint" ? `(feint ${label})` : [by, label].filter((word) => word !== null).join(": ");
}

function Files({ round, title }: { round: CallRound | null; title: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const item = (
    label: string,
    ending: string,
    type: string,
    content: (items: readonly CallItem[]) => string | Blob,
  ) => (
    <MenuItem
      onClick={() => {
        setAnchor(null);
        if (round) download(fileName(`calls ${title}`, ending), content(round.items), type);
      }}
    >
      {label}
    </MenuItem>
  );
  return (
    <>
      <Button
        variant="outlined"
        disabled={!round}
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Export
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {item("Text to read out", "txt", "text/plain", callsText)}
        {item("Table (CSV)", "csv", "text/csv", callsCsv)}
        {item("Captions at their times (WebVTT)", "vtt", "text/vtt", callsVtt)}
        {item(
          "Clicks with the calls as lyrics (MIDI)",
          "mid",
          "audio/midi",
          (items) => new Blob([callsMidi(items, title) as BlobPart]),
        )}
      </Menu>
    </>
  );
}
