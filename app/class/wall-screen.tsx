/** A round for the wall: who with whom and what is done, read from across the hall; keys go from round to round. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useEffect, useLayoutEffect, useState } from "react";
import { Link } from "react-router";
import { ROLES_CHANGED } from "#core/pairs/evening.ts";
import type { PlannedRound } from "#core/class/plan.ts";
import { rungsOf } from "#core/class/pair-rungs.ts";
import type { RungWords } from "#core/class/rung-words.ts";
import type { Block, Clock } from "#core/class/timetable.ts";
import type { Running } from "#core/floor/running.ts";
import type { Segment } from "#core/floor/timeline.ts";
import type { PhoneLink, PlanPage } from "#server/views.ts";
import { membersOf } from "./members.ts";
import { DrawnText } from "../drawing/drawn-text.tsx";
import { KINDS, leftText, rolesNow } from "../floor/clock-face.tsx";
import { QrSvg } from "../paper/qr.tsx";
import { PartnerMark } from "../ui/marks.tsx";
import { Notice } from "../ui/parts.tsx";
import { useWayBack } from "../ui/role.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { NOT_ON_PAPER } from "../ui/theme.ts";
import { useAwake } from "../ui/use-awake.ts";

interface WallProps {
  readonly page: PlanPage;
  readonly link?: PhoneLink | null;
  /** Where the class is; null while it does not run. */
  readonly live?: { readonly segment: Segment; readonly running: Running } | null;
}

export function WallScreen({ page, link = null, live = null }: WallProps) {
  const { lesson, kept } = page;
  const back = useWayBack(lesson.id);
  const rounds = kept?.plan.rounds ?? [];
  const [at, setAt] = useState(Math.min(kept?.done ?? 0, Math.max(0, rounds.length - 1)));
  useKeys(rounds.length, setAt);
  // A class that runs goes on by itself; who looks at another round meanwhile sees it until then.
  const runs = live?.segment.round ?? null;
  useEffect(() => {
    if (runs !== null) setAt(runs);
  }, [runs]);
  useAwake();
  const round = rounds[at];
  const blocks = kept?.plan.blocks ?? [];
  const block = blocks.find((b) => b.id === round?.block);
  const next = rounds[at + 1];
  const nextBlock = next && next.block !== round?.block ? blocks.find((b) => b.id === next.block) : null;
  const toPlan = (
    <Button variant="text" color="inherit" component={Link} to={back.to}>
      {back.label}
    </Button>
  );
  return (
    <Stack component="main" id="main" sx={{ minHeight: "100dvh", px: "2.5vw", py: "1.5vh" }}>
      <Stack direction="row" spacing={1.5} sx={{ flexWrap: "wrap", alignItems: "center" }}>
        <Typography variant="h1" sx={{ flex: 1, fontSize: "clamp(1.6rem, 5.5vh, 4.5rem)" }}>
          {round ? `Round ${at + 1} of ${rounds.length}` : lesson.title}
        </Typography>
        {live && <WallClock {...live} />}
        {!live && (
          <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", ...NOT_ON_PAPER }}>
            <Button variant="outlined" disabled={at === 0} onClick={() => setAt(at - 1)}>
              Previous
            </Button>
            <Button variant="contained" disabled={at >= rounds.length - 1} onClick={() => setAt(at + 1)}>
              Next round
            </Button>
            <FullScreen />
            {toPlan}
          </Stack>
        )}
      </Stack>
      {!round && <Notice>This class has no plan yet: make it on the class’s page first.</Notice>}
      {round && kept && (
        <>
          <WallRound page={page} round={round} block={block} live={live !== null} />
          {link && (
            <Box sx={{ position: "absolute", right: "2.5vw", bottom: "1.5vh", textAlign: "center" }}>
              <QrSvg qr={link.qr} label="Code: your rounds on your phone" width="18vh" />
              Your rounds on your phone
            </Box>
          )}
          <Box sx={{ fontSize: "clamp(1.05rem, 2.8vh, 2.2rem)", color: "text.secondary", pt: "1vh" }}>
            {next ? `Next: ${nextBlock ? nextBlock.title : nextText(next)}` : "The last round."}
            {/* A class that runs goes on by itself: what can be pressed is small and out of the way. */}
            {live && (
              <Box component="span" sx={{ pl: 2, ...NOT_ON_PAPER }}>
                <FullScreen />
                {toPlan}
              </Box>
            )}
          </Box>
        </>
      )}
    </Stack>
  );
}

interface WallRoundProps {
  readonly page: PlanPage;
  readonly round: PlannedRound;
  readonly block: Block | undefined;
  /** The class runs: its clock says who feeds, and takes a part of the height. */
  readonly live: boolean;
}

/** What a round works on, its pairs, and what is done. */
function WallRound({ page, round, block, live }: WallRoundProps) {
  // At stations each pair works on something else.
  const rung = block?.stations ? null : (block?.rung ?? null);
  const said = rung === null ? undefined : page.words[rung];
  const text = rung === null ? undefined : page.rungs[rung]?.text;
  return (
    <>
      <Box sx={{ fontSize: "clamp(1.2rem, 4vh, 3.2rem)", fontWeight: 650, lineHeight: 1.2 }}>{block?.title}</Box>
      <Box sx={{ fontSize: "clamp(1.05rem, 2.8vh, 2.2rem)", color: "text.secondary", mb: "1vh" }}>
        {round.side === "left" ? "Left" : "Right"} lead in front. {!live && whoFeeds(round, page.kept!.clock)}
      </Box>
      <Box
        sx={{
          flex: 1,
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,3fr) minmax(0,2fr)" },
          columnGap: "3vw",
          alignItems: "start",
        }}
      >
        <Pairs page={page} round={round} rung={rung} space={live ? BESIDE_CLOCK : ALONE} />
        {said && text !== undefined && <WhatIsDone text={text} words={said} />}
      </Box>
    </>
  );
}

/** What is left, what is done, who feeds: the largest thing on the wall. */
function WallClock({ segment, running: { left, elapsed, goes } }: NonNullable<WallProps["live"]>) {
  const what = segment.kind === "round" ? rolesNow(segment, elapsed, left) : KINDS[segment.kind] || segment.title;
  return (
    <Stack direction="row" sx={{ alignItems: "baseline", columnGap: "2vw", flexWrap: "wrap" }}>
      <Box
        role="timer"
        aria-label="Left of this stretch"
        sx={{
          fontSize: "clamp(3rem, 15vh, 14rem)",
          lineHeight: 1,
          fontWeight: 700,
          fontVariantNumeric: "tabular-nums",
          color: goes ? "text.primary" : "text.secondary",
        }}
      >
        {leftText(left)}
      </Box>
      <Box sx={{ fontSize: "clamp(1.2rem, 4.5vh, 4rem)", fontWeight: 650 }}>{goes ? what : "Paused"}</Box>
    </Stack>
  );
}

const whoFeeds = ({ change }: PlannedRound, clock: Clock): string => {
  const every = change ?? clock.change;
  return every < clock.round ? `A feeds first; roles change every ${every} seconds.` : "A holds for the whole round.";
};

const nextText = ({ pairs }: PlannedRound): string =>
  pairs.some(({ why }) => why.includes(ROLES_CHANGED)) ? "same partner, change roles." : "change partners.";

/** So many stand below each other before a column more is begun. */
const PER_COLUMN = 7;
/** Height for the names, with the clock above them and without, in hundredths of the screen. */
const BESIDE_CLOCK = 48;
const ALONE = 50;
/** A line below the names takes so much of theirs. */
const SMALL_LINE = 0.6;

/** Names as large as their number allows. */
function Pairs({
  page,
  round,
  rung,
  space,
}: {
  readonly page: PlanPage;
  readonly round: PlannedRound;
  readonly rung: number | null;
  /** Hundredths of the height of the screen. */
  readonly space: number;
}) {
  const { names, rungs } = page;
  const nameOf = (id: string) => names[id] ?? "Former member";
  const count = round.pairs.length + round.alone.length;
  const columns = Math.ceil(count / PER_COLUMN);
  const own = round.pairs.filter((p) => rungsOf(p).some(({ at }) => at !== rung)).length;
  const lines = Math.ceil(count / columns) + (SMALL_LINE * own) / columns;
  return (
    <Rows
      ordered
      aria-label="Pairs"
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "1fr", md: `repeat(${columns}, minmax(0,1fr))` },
        columnGap: "2vw",
        fontSize: `clamp(1.2rem, ${Math.min(6, space / lines / 1.5).toFixed(1)}vh, 4rem)`,
        lineHeight: 1.2,
      }}
    >
      {round.pairs.map((p) => (
        <Row
          key={`${p.a}${p.b}`}
          sx={{ py: "0.6vh", display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: "1vw" }}
        >
          {membersOf(p).map(({ actor, id }) => (
            <Stack key={actor} direction="row" spacing={1} sx={{ alignItems: "center" }}>
              <PartnerMark actor={actor} size={34} />
              <span>{nameOf(id)}</span>
            </Stack>
          ))}
          {p.form && (
            <Box sx={{ fontSize: "0.6em", color: "text.secondary", width: "100%" }}>no contact: stop short</Box>
          )}
          {rungsOf(p)
            .filter(({ at }) => at !== rung)
            .map(({ who, at }) => (
              <Box key={who} sx={{ fontSize: "0.6em", color: "text.secondary", width: "100%" }}>
                {who === "" ? "their own rung: " : `${who} answers: `}
                {rungs[at]?.title}
              </Box>
            ))}
        </Row>
      ))}
      {round.alone.map(({ id, why }) => (
        <Row key={id} sx={{ py: "0.6vh" }}>
          {nameOf(id)}: {why.charAt(0).toLowerCase() + why.slice(1)}
        </Row>
      ))}
    </Rows>
  );
}

/** The drill of the block, large: in words, drawn, and what to think of. */
function WhatIsDone({ text, words }: { readonly text: string; readonly words: RungWords }) {
  const wide = useMediaQuery("(min-width: 1700px)");
  return (
    <Box component="section" aria-label="What is done" sx={{ fontSize: "clamp(1.1rem, 3vh, 2.4rem)", lineHeight: 1.3 }}>
      {words.play.map(({ text: row, depth }, i) => (
        <Box key={i} sx={{ pl: depth * 3, fontWeight: 600 }}>
          {row}
        </Box>
      ))}
      <Box component="ul" sx={{ my: "1vh", pl: "1.2em" }}>
        {words.cues.map((cue) => (
          <li key={cue}>{cue}</li>
        ))}
      </Box>
      <Box sx={{ maxHeight: "34vh", overflow: "hidden" }}>
        <DrawnText text={text} zoom={wide ? 1.7 : 1.1} />
      </Box>
    </Box>
  );
}

/** Arrow keys and the space bar go from round to round. */
function useKeys(rounds: number, setAt: (change: (now: number) => number) => void): void {
  // With the first picture: a key that is pressed at once must not be lost.
  useLayoutEffect(() => {
    const key = (event: KeyboardEvent) => {
      const by = event.key === "ArrowRight" || event.key === " " ? 1 : event.key === "ArrowLeft" ? -1 : 0;
      if (by === 0) return;
      event.preventDefault();
      setAt((now) => Math.max(0, Math.min(rounds - 1, now + by)));
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [rounds, setAt]);
}

/** The whole screen for the wall, where the device has that. */
function FullScreen() {
  const [can, setCan] = useState(false);
  useEffect(() => setCan(document.fullscreenEnabled), []);
  if (!can) return null;
  return (
    <Button
      variant="outlined"
      onClick={() =>
        void (document.fullscreenElement ? document.exitFullscreen() : document.documentElement.requestFullscreen())
      }
    >
      Full screen
    </Button>
  );
}
