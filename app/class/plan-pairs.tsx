/** The pairs of one round: why each is a good one, what each works on; lock them, swap two people. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { useEffect, useState } from "react";
import { NOT_ON_PAPER, SAID_ON_PAPER } from "../ui/theme.ts";
import type { Step } from "#core/class/fit.ts";
import type { PlannedPair, PlannedRound } from "#core/class/plan.ts";
import { rungName, rungsOf } from "#core/class/pair-rungs.ts";
import type { RungChoice } from "#server/views.ts";
import { membersOf } from "./members.ts";
import { PartnerMark, VerdictRing } from "../ui/marks.tsx";
import { Notice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";

interface PairsProps {
  readonly round: PlannedRound;
  /** Number of the round in the evening, from 0. */
  readonly at: number;
  /** It was run or is under way: it stays as it is. */
  readonly begun: boolean;
  readonly rungs: readonly RungChoice[];
  readonly nameOf: (id: string) => string;
  readonly onLock: (pair: PlannedPair, on: boolean) => void;
  /** Points that changing the places of two would cost; negative is a gain, null: they cannot. */
  readonly costOf: (one: string, two: string) => number | null;
  /** Two people take each other's place: both pairs are locked as they then are. */
  readonly onSwap: (one: string, two: string) => void;
  /** Whom the instructor wants on an easier or a harder rung; 0 takes it back. */
  readonly steps: readonly Step[];
  readonly onStep: (who: string, by: Step["by"] | 0) => void;
}

export function PlanPairs({ round, at, begun, rungs, nameOf, onLock, onSwap, costOf, steps, onStep }: PairsProps) {
  const [picked, setPicked] = useState<string | null>(null);
  useEffect(() => setPicked(null), [round]);
  const pick = (id: string) => {
    if (picked === null || picked === id) return setPicked(picked === id ? null : id);
    onSwap(picked, id);
    setPicked(null);
  };
  return (
    <>
      {picked && (
        <Notice action={<Button onClick={() => setPicked(null)}>Leave it</Button>}>
          {nameOf(picked)} changes places with… choose the other.
        </Notice>
      )}
      <Rows ordered aria-label={`Pairs of round ${at + 1}`}>
        {round.pairs.map((p) => (
          <Row
            key={`${p.a}${p.b}`}
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,5fr) minmax(0,6fr) auto" },
              columnGap: 2,
              alignItems: "start",
              py: 0.75,
            }}
          >
            <Box>
              {membersOf(p).map(({ actor, id }) => (
                <Stack key={actor} direction="row" spacing={1} sx={{ alignItems: "center" }}>
                  <PartnerMark actor={actor} size={20} />
                  <Name {...{ id, begun, picked, onSwap }} name={nameOf(id)} onPick={() => pick(id)} />
                  {picked ? (
                    <Cost points={costOf(picked, id)} />
                  ) : (
                    !begun && <Steps name={nameOf(id)} by={stepFor(steps, id)} onStep={(by) => onStep(id, by)} />
                  )}
                </Stack>
              ))}
            </Box>
            <WhatTheyDo pair={p} rungs={rungs} />
            <Button
              size="small"
              variant={p.locked ? "contained" : "outlined"}
              aria-pressed={p.locked}
              aria-label={`Keep ${nameOf(p.a)} and ${nameOf(p.b)} together`}
              disabled={begun}
              onClick={() => onLock(p, !p.locked)}
            >
              {p.locked ? "Locked" : "Lock"}
            </Button>
          </Row>
        ))}
        {round.alone.map(({ id, why }) => (
          <Row key={id} sx={{ py: 0.75 }}>
            <strong>{nameOf(id)}</strong> has no partner: {why}.
          </Row>
        ))}
      </Rows>
    </>
  );
}

interface NameProps extends Pick<PairsProps, "begun" | "onSwap"> {
  readonly id: string;
  readonly name: string;
  /** The one who was picked to change places. */
  readonly picked: string | null;
  readonly onPick: () => void;
}

/** Somebody in a pair: pressed or dragged onto another to change places. */
const Name = ({ id, name, begun, picked, onSwap, onPick }: NameProps) => (
  <Button
    variant="text"
    color="inherit"
    disabled={begun}
    draggable={!begun}
    onDragStart={(event) => event.dataTransfer.setData("text/plain", id)}
    onDragOver={(event) => event.preventDefault()}
    onDrop={(event) => {
      event.preventDefault();
      const other = event.dataTransfer.getData("text/plain");
      if (other && other !== id) onSwap(other, id);
    }}
    aria-pressed={picked === id}
    className={SAID_ON_PAPER}
    aria-label={`${name}: change places`}
    onClick={onPick}
    sx={{
      p: 0.25,
      minHeight: 32,
      fontWeight: 600,
      fontSize: "1.05rem",
      textDecoration: picked === id ? "underline" : "none",
    }}
  >
    {name}
  </Button>
);

/** What a pair works on, how far apart, and why it is a good one. */
const WhatTheyDo = ({ pair: p, rungs }: { readonly pair: PlannedPair; readonly rungs: readonly RungChoice[] }) => (
  <Box>
    <Stack direction="row" spacing={1} sx={{ alignItems: "center" }}>
      <VerdictRing verdict={p.verdict} size={18} />
      <span>
        {rungsOf(p).map(({ who, at }) => (
          <Box key={who} component="span" sx={{ display: "block" }}>
            {who === "" ? "" : `${who} answers: `}
            {rungName(rungs, at)}
          </Box>
        ))}
      </span>
    </Stack>
    <Box sx={{ color: "text.secondary", fontSize: "0.93rem" }}>
      <span title={`${p.distance.toFixed(2)} m`}>{p.apart ?? `${p.distance.toFixed(2)} m apart`}</span>;{" "}
      {p.why.join("; ")}
    </Box>
    {p.notes.map((note) => (
      <Box key={note} sx={{ fontSize: "0.95rem" }}>
        {note}
      </Box>
    ))}
  </Box>
);

const stepFor = (steps: readonly Step[], id: string): Step["by"] | 0 => steps.find(({ who }) => who === id)?.by ?? 0;

interface StepsProps {
  readonly name: string;
  readonly by: Step["by"] | 0;
  readonly onStep: (by: Step["by"] | 0) => void;
}

/** The instructor knows better: an easier rung for somebody, or a harder one, for this evening and the next on this ladder. */
const Steps = ({ name, by, onStep }: StepsProps) => (
  <Box component="span" sx={{ display: "inline-flex", ...NOT_ON_PAPER }}>
    {([-1, 1] as const).map((one) => {
      const word = one < 0 ? "easier" : "harder";
      return (
        <Button
          key={word}
          size="small"
          variant="text"
          color="inherit"
          aria-pressed={by === one}
          aria-label={`${word} for ${name}`}
          onClick={() => onStep(by === one ? 0 : one)}
          sx={{
            minWidth: 0,
            px: 0.75,
            py: 0,
            color: by === one ? "text.primary" : "text.secondary",
            fontWeight: by === one ? 700 : 400,
            textDecoration: by === one ? "underline" : "none",
          }}
        >
          {word}
        </Button>
      );
    })}
  </Box>
);

/** What it would cost to put somebody in this place. */
function Cost({ points }: { points: number | null }) {
  if (points === null) return null;
  return (
    <Box component="span" sx={{ color: "text.secondary", fontVariantNumeric: "tabular-nums" }}>
      {points > 0 ? `costs ${points}` : points < 0 ? `gains ${-points}` : "costs nothing"}
    </Box>
  );
}
