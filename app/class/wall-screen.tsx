/** The pairs of a round for the wall: read from across the hall; arrow keys go from round to round. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useLayoutEffect, useState } from "react";
import { Link } from "react-router";
import type { PlanPage } from "#server/views.ts";
import { membersOf } from "./members.ts";
import { PartnerMark } from "../ui/marks.tsx";
import { Notice } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";

export function WallScreen({ page }: { page: PlanPage }) {
  const { lesson, kept, rungs, names } = page;
  const rounds = kept?.plan.rounds ?? [];
  const [at, setAt] = useState(Math.min(kept?.done ?? 0, Math.max(0, rounds.length - 1)));
  // With the first picture: a key that is pressed at once must not be lost.
  useLayoutEffect(() => {
    const key = (event: KeyboardEvent) => {
      const by = event.key === "ArrowRight" || event.key === " " ? 1 : event.key === "ArrowLeft" ? -1 : 0;
      if (by === 0) return;
      event.preventDefault();
      setAt((now) => Math.max(0, Math.min(rounds.length - 1, now + by)));
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [rounds.length]);
  const round = rounds[at];
  const block = kept?.plan.blocks.find((b) => b.id === round?.block);
  const nameOf = (id: string) => names[id] ?? "Former member";
  const many = (round?.pairs.length ?? 0) > 8;
  return (
    <Box sx={{ px: { xs: 2, sm: 4 }, py: 2 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, alignItems: "center" }}>
        <Box component="h1" sx={{ typography: "h1", m: 0, flex: 1, fontSize: "clamp(1.6rem, 3.4vw, 3.2rem)" }}>
          {round ? `Round ${at + 1} of ${rounds.length}` : lesson.title}
        </Box>
        <Button variant="outlined" disabled={at === 0} onClick={() => setAt(at - 1)}>
          Before
        </Button>
        <Button variant="contained" disabled={at >= rounds.length - 1} onClick={() => setAt(at + 1)}>
          Next round
        </Button>
        <Button variant="text" color="inherit" component={Link} to={`/class/${lesson.id}/plan`}>
          Back to the plan
        </Button>
      </Box>
      {!round && <Notice>This class has no plan yet: make it on the class’s page first.</Notice>}
      {round && (
        <>
          <Box sx={{ fontSize: "clamp(1.1rem, 2vw, 1.9rem)", color: "text.secondary", mb: 1 }}>
            {block?.title}; {round.side} lead in front
          </Box>
          <Rows
            ordered
            aria-label="Pairs"
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "1fr", md: "1fr 1fr", xl: many ? "1fr 1fr 1fr" : "1fr 1fr" },
              columnGap: 5,
            }}
          >
            {round.pairs.map((p) => (
              <Row
                key={`${p.a}${p.b}`}
                sx={{
                  py: 1,
                  display: "flex",
                  flexWrap: "wrap",
                  alignItems: "center",
                  columnGap: 2,
                  fontSize: many ? "clamp(1.2rem, 2vw, 2rem)" : "clamp(1.3rem, 2.8vw, 3.4rem)",
                  lineHeight: 1.25,
                }}
              >
                {membersOf(p).map(({ actor, id }) => (
                  <Box key={actor} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
                    <PartnerMark actor={actor} size={34} />
                    <span>{nameOf(id)}</span>
                  </Box>
                ))}
                {p.rung !== block?.rung && (
                  <Box sx={{ fontSize: "0.6em", color: "text.secondary", width: "100%" }}>
                    their own rung: {rungs[p.rung]?.title}
                  </Box>
                )}
              </Row>
            ))}
            {round.alone.map(({ id }) => (
              <Row key={id} sx={{ py: 1, fontSize: "1.6rem" }}>
                {nameOf(id)} with the instructor
              </Row>
            ))}
          </Rows>
        </>
      )}
    </Box>
  );
}
