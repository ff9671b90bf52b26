import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import type { PairView } from "#server/views.ts";
import { shortDate } from "../ui/dates.ts";
import { FONTS } from "../ui/theme.ts";
import { A4Head, A4Page } from "../paper/a4.tsx";
import { CAUTIONS, cautionsFor, playRows } from "#core/class/cautions.ts";
import { cardSize } from "./card-layout.ts";
import { Rows } from "../ui/rows.tsx";

interface CardProps {
  readonly lesson: { readonly id: string; readonly title: string; readonly held_on: string };
  readonly school: string;
  readonly pairs: readonly PairView[];
}

const namesOf = (p: PairView): string => p.names.map((n) => `${n.actor} ${n.name}`).join("  ·  ");

/** One A4 page: who with whom on what, the texts, and what is said before every drill. */
export function CardScreen({ lesson, school, pairs }: CardProps) {
  const versions = [...new Map(pairs.map((p) => [p.revisionId, p])).values()];
  const letters = new Map(versions.map((v, i) => [v.revisionId, String(i + 1)]));
  const details = (p: PairView) => [
    [`${p.distance.toFixed(2)} m apart`, ...p.names.flatMap((n) => n.limits.map((l) => `${n.name}: ${l}`))].join("; "),
    ...p.notes.slice(0, 1),
  ];
  const size = cardSize({
    pairs: pairs.map((p) => ({ names: namesOf(p), lines: details(p) })),
    versions: versions.map((v) => playRows(v.text)),
  });
  return (
    <A4Page label="Card" size={size} margin={12} back={{ to: `/class/${lesson.id}`, label: "Back to the class" }}>
      <A4Head title={lesson.title}>
        {school}, {shortDate(lesson.held_on)}
      </A4Head>
      {pairs.length === 0 && <p>Nobody is paired yet: pair them on the class's page first.</p>}
      <Rows ordered sx={{ mt: 1.5, columns: pairs.length > 4 ? 2 : 1, columnGap: "8mm" }}>
        {pairs.map((p) => (
          <Stack
            component="li"
            key={p.id}
            direction="row"
            spacing={1}
            sx={{ breakInside: "avoid", borderBottom: "0.5px solid #999", py: 0.6 }}
          >
            <Box sx={{ fontFamily: FONTS.heading, fontWeight: 700, fontSize: "1.5em", lineHeight: 1, width: "1.2em" }}>
              {letters.get(p.revisionId)}
            </Box>
            <Box>
              <Box sx={{ fontWeight: 700, fontSize: "1.15em" }}>{namesOf(p)}</Box>
              {details(p).map((line, i) => (
                <Box key={line} sx={{ fontStyle: i === 0 ? "normal" : "italic" }}>
                  {line}
                </Box>
              ))}
            </Box>
          </Stack>
        ))}
      </Rows>
      {versions.map((v) => (
        <Box key={v.revisionId} sx={{ mt: 1.5, breakInside: "avoid" }}>
          <Box component="h2" sx={{ m: 0, fontFamily: FONTS.heading, fontSize: "1.25em" }}>
            {letters.get(v.revisionId)}. {v.title}
          </Box>
          <Box component="pre" sx={{ m: 0, mt: 0.5, fontFamily: FONTS.mono, fontSize: "1em", whiteSpace: "pre-wrap" }}>
            {playRows(v.text).join("\n")}
          </Box>
        </Box>
      ))}
      <Box sx={{ mt: 2, pt: 1, borderTop: "2px solid #000" }}>
        {pairs.some(({ taps }) => taps) && <strong>{cautionsFor({ taps: true })[0]} </strong>}
        <strong>{CAUTIONS[0]}</strong> {CAUTIONS[1]}
      </Box>
    </A4Page>
  );
}
