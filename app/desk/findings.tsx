/** What the checker says, in words, with repairs to apply. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { styled } from "@mui/material/styles";
import { Fragment, memo } from "react";
import { findingKey } from "#core/findings/finding-key.ts";
import type { RepairsView, RepairView } from "../workers/questions/checking.ts";
import type { ExchangeView, ScoreView } from "#core/formats/desk-view.ts";
import { placeOf, problemsOf, type NumberedFinding } from "#core/formats/finding-place.ts";
import { Answers, CloseCycle, Refute, WholeRow } from "./answers-panel.tsx";
import { marginWords } from "../drawing/crossing-parts.tsx";
import { PartnerMark, VerdictRing } from "../ui/marks.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { Terms } from "../ui/terms.tsx";

const SEVERITY_RING = { error: "invalid", risk: "risky", note: "valid" } as const;

interface FindingsProps {
  readonly view: ScoreView;
  /** What mends the findings, as far as it is worked out. */
  readonly repairs: RepairsView;
  readonly text: string;
  readonly cursor: number | null;
  readonly onPick: (from: number, to: number) => void;
  readonly onRepair: (edits: readonly { from: number; to: number; insert: string }[]) => void;
}

const PlaceButton = styled("button")(({ theme }) => ({
  font: "inherit",
  background: "none",
  border: 0,
  padding: 0,
  textAlign: "left",
  cursor: "pointer",
  color: theme.vars?.palette.text.primary,
}));

/** More than one thing is thrown in its turn. */
const isCombined = (here: ExchangeView, { exchanges }: ScoreView): boolean =>
  exchanges.some(({ row, feeder, from }) => row === here.row && feeder === here.feeder && from !== here.from);

export const Findings = memo(function Findings({ view, repairs, text, cursor, onPick, onRepair }: FindingsProps) {
  const here =
    cursor === null
      ? undefined
      : [...view.exchanges, ...view.wrong].find((e) => e.from <= cursor && cursor <= e.to + 1);
  const order = { error: 0, risk: 1, note: 2 } as const;
  const sorted = [...view.findings].sort((a, b) => order[a.severity] - order[b.severity] || a.from - b.from);
  const problems = problemsOf(sorted);
  const notes = sorted.filter((f) => f.severity === "note" && !f.shownWrong);
  const wrong = sorted.filter((f) => f.shownWrong);
  return (
    <>
      {here && <Here exchange={here} />}
      {here?.answerSpan && !here.meets && (
        <Answers key={`${here.feeder}${here.feed}`} exchange={here} text={text} onRepair={onRepair} />
      )}
      {here && !here.meets && isCombined(here, view) && (
        <WholeRow key={`row ${here.row}`} exchange={here} text={text} onRepair={onRepair} />
      )}
      {view.closure && !view.closure.closes && (
        <CloseCycle text={text} onRepair={onRepair} differences={view.closure.differences} />
      )}
      <Heading>{problems.length === 0 ? "No problems" : counted(problems.length, "problem")}</Heading>
      {problems.length === 0 && (
        <Box sx={{ color: "text.secondary" }}>
          {view.shown === "asDrill"
            ? "It holds as a drill. With a live blade: leave; you will be cut. "
            : "Each feed is met by an answer that works for these two bodies. "}
          The instructor and local rules decide what may be practised.
        </Box>
      )}
      <Said groups={sameSaid(problems)} leads={!here} {...{ repairs, onPick, onRepair }} />
      {view.verdict !== "broken" && <Refute text={text} onRepair={onRepair} />}
      {notes.length > 0 && (
        <>
          <Heading>{counted(notes.length, "note")}</Heading>
          <Said groups={sameSaid(notes)} {...{ repairs, onPick, onRepair }} />
        </>
      )}
      {wrong.length > 0 && (
        <>
          <Heading>How it goes wrong</Heading>
          <Said groups={wrong.map((f) => [f])} repairs={{}} {...{ onPick, onRepair }} />
        </>
      )}
    </>
  );
});

const counted = (count: number, word: string): string => `${count} ${count === 1 ? word : `${word}s`}`;

const Heading = ({ children }: { readonly children: string }) => (
  <Typography variant="h2" sx={{ mt: 3, mb: 1 }}>
    {children}
  </Typography>
);

/** More than these would hide what stands below them. */
const MOST = 60;

/** Findings, those that say the same as one; with `leads` the first repair of the first is what one presses next. */
function Said({
  groups,
  repairs,
  leads = false,
  onPick,
  onRepair,
}: Pick<FindingsProps, "repairs" | "onPick" | "onRepair"> & {
  readonly groups: readonly NumberedFinding[][];
  readonly leads?: boolean;
}) {
  return (
    <>
      <Rows>
        {groups.slice(0, MOST).map(([f, ...others], i) => (
          <FindingItem
            key={findingKey(f!)}
            finding={f!}
            others={others}
            leads={leads && i === 0}
            repairs={repairs[findingKey(f!)] ?? NONE}
            onPick={onPick}
            onRepair={onRepair}
          />
        ))}
      </Rows>
      {groups.length > MOST && (
        <Box sx={{ color: "text.secondary" }}>And {groups.length - MOST} more further down.</Box>
      )}
    </>
  );
}

/** Findings that say the same of several rows stand together, in the order of the first. */
function sameSaid(findings: readonly NumberedFinding[]): NumberedFinding[][] {
  const groups = new Map<string, NumberedFinding[]>();
  for (const finding of findings) {
    const key = `${finding.severity} ${finding.rule} ${finding.message}`;
    groups.set(key, [...(groups.get(key) ?? []), finding]);
  }
  return [...groups.values()];
}

const NONE: readonly RepairView[] = [];

function FindingItem({
  finding: f,
  others,
  leads,
  repairs,
  onPick,
  onRepair,
}: {
  /** Its first repair is the next step. */
  leads: boolean;
  finding: NumberedFinding;
  /** The same in other rows. */
  others: readonly NumberedFinding[];
  repairs: readonly RepairView[];
  onPick: FindingsProps["onPick"];
  onRepair: FindingsProps["onRepair"];
}) {
  return (
    <Row sx={{ display: "flex", gap: 1.25, py: 1.25 }}>
      <Box sx={{ pt: 0.25 }}>
        <VerdictRing verdict={SEVERITY_RING[f.severity]} size={20} />
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <PlaceButton type="button" onClick={() => onPick(f.from, f.to)}>
          <Box component="span" sx={{ color: "text.secondary" }}>
            {placeOf(f)}.{" "}
          </Box>
          {f.message}
        </PlaceButton>
        {others.length > 0 && (
          <Box sx={{ color: "text.secondary", mt: 0.5 }}>
            The same in{" "}
            {others.map((other, i) => (
              <span key={findingKey(other)}>
                {i > 0 && ", "}
                <PlaceButton
                  type="button"
                  onClick={() => onPick(other.from, other.to)}
                  sx={{ textDecoration: "underline" }}
                >
                  {placeOf(other).toLowerCase()}
                </PlaceButton>
              </span>
            ))}
          </Box>
        )}
        {repairs.length > 0 && (
          <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", mt: 0.75 }}>
            {repairs.map((repair, i) => (
              <Button
                key={repair.label}
                size="small"
                variant={leads && i === 0 ? "contained" : "outlined"}
                onClick={() => onRepair(repair.edits)}
              >
                {repair.label}
              </Button>
            ))}
          </Stack>
        )}
      </Box>
    </Row>
  );
}

/** The exchange at the cursor with the numbers its verdict rests on. */
function Here({ exchange: e }: { exchange: ExchangeView }) {
  const open = e.followUps.filter((f) => f.state === "open");
  return (
    <Box component="section" aria-label="At the cursor">
      <Typography variant="h2" sx={{ mb: 1, display: "flex", alignItems: "center", gap: 1 }}>
        <VerdictRing verdict={e.shown} word />
        {e.marginCm !== null && (
          <Box component="span" sx={{ fontWeight: 400 }}>
            {marginWords(e.marginCm)}
          </Box>
        )}
      </Typography>
      <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
        <PartnerMark actor={e.feeder} />
        {e.feed}
      </Stack>
      <Stack direction="row" spacing={1} sx={{ alignItems: "center", mt: 0.5 }}>
        <PartnerMark actor={e.responder} />
        {e.answer || "no answer yet"}
      </Stack>
      {e.says !== null && <Box sx={{ mt: 1 }}>{e.says}</Box>}
      <Terms sx={{ mt: 1.25 }}>
        {e.layers.map((layer, i) => (
          <Fragment key={i}>
            <dt>{layer.move}</dt>
            <dd>{layerWords(layer)}</dd>
          </Fragment>
        ))}
        {e.ceiling !== null && (
          <>
            <dt>Holds</dt>
            <dd>
              {e.ceiling >= 1 ? "at any speed" : `up to ${Math.round(e.ceiling * 100)}% of full speed`}
              {e.times && (
                <Box component="span" sx={{ display: "block", color: "text.secondary", fontSize: "0.9rem" }}>
                  feed {Math.round(e.times.contact)} ms, answer {Math.round(e.times.movement)} ms, reaction{" "}
                  {Math.round(e.times.reaction)} ms
                </Box>
              )}
            </dd>
          </>
        )}
        {e.ends && (
          <>
            <dt>Ends</dt>
            <dd>{e.ends === "outside" ? "outside their arm, the blind side" : e.ends}</dd>
          </>
        )}
        {e.robust < 1 && (
          <>
            <dt>Reliable in</dt>
            <dd>{Math.round(e.robust * 100)}% of small differences</dd>
          </>
        )}
        {e.answer !== "" && (
          <>
            <dt>Still open to</dt>
            <dd>{open.length === 0 ? "nothing near" : open.map((f) => f.move).join(", ")}</dd>
          </>
        )}
      </Terms>
    </Box>
  );
}

function layerWords({ by, part, marginCm }: ExchangeView["layers"][number]): string {
  if (part === "goes along") return "moves along";
  if (part === "idle") return "adds nothing here";
  return `${BY[by] ?? by}${part === "fails" ? ", does not work" : ""} (${marginCm} cm)`;
}

const BY: Readonly<Record<string, string>> = {
  displace: "moves out of the way",
  interpose: "blocks it",
  deflect: "pushes it aside",
  pass: "guides it past",
  jam: "inside the swing",
  energy: "takes the pressure away",
  deny: "denies the entry",
  seize: "holds the leg",
  cut: "cuts the arm",
  intercept: "lands first",
  meet: "meets it",
  strike: "strikes it",
  cue: "acts on it",
};
