/** What it is and how it goes: a row, twelve steps of notation to try, the signs, the numbers, the keys. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import { Fragment } from "react";
import { CAUTIONS } from "#core/class/cautions.ts";
import { useSavedDrill } from "../drills/use-saved-drill.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { ScreenHead } from "../ui/parts.tsx";
import { Row, Rows } from "../ui/rows.tsx";
import { Terms } from "../ui/terms.tsx";
import { KEYS, NUMBERS, SIGNS, STEPS } from "./help-text.ts";

export function HelpScreen() {
  return (
    <>
      <ScreenHead
        title="How to write a drill"
        lead="Write who does what, one row for each exchange. Each attack is checked against its answer for the two bodies at hand; then harder versions, a class and its cards are made from it."
      />
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0,1fr)", lg: "minmax(0,1fr) 380px" },
          gap: 5,
          px: { xs: 2, sm: 3 },
          pb: 5,
        }}
      >
        <Box component="section" aria-labelledby="steps">
          <Heading id="steps">A drill in twelve steps</Heading>
          <Rows ordered>
            {STEPS.map((step, i) => (
              <Row key={step.title} sx={{ py: 1.5, breakInside: "avoid" }}>
                <Typography variant="h3">
                  {i + 1}. {step.title}
                </Typography>
                <Box sx={{ maxWidth: 620 }}>{step.says}</Box>
                <Stack direction="row" spacing={2} sx={{ alignItems: "end", flexWrap: "wrap", mt: 0.5 }}>
                  <Box
                    component="pre"
                    tabIndex={0}
                    aria-label={`Sample ${i + 1}`}
                    sx={{
                      fontFamily: "monospace",
                      m: 0,
                      p: 1.5,
                      bgcolor: "background.paper",
                      overflowX: "auto",
                      flex: "1 1 320px",
                    }}
                  >
                    {step.sample}
                  </Box>
                  <Try title={step.title} sample={step.sample} />
                </Stack>
              </Row>
            ))}
          </Rows>
        </Box>
        <Box>
          <Heading id="signs">What the signs say</Heading>
          <Rows aria-labelledby="signs">
            {SIGNS.map(({ verdict, says }) => (
              <Row key={verdict} sx={{ display: "flex", gap: 1.5, py: 1 }}>
                <VerdictRing verdict={verdict} word />
                <Box sx={{ flex: 1 }}>{says}</Box>
              </Row>
            ))}
          </Rows>
          <Heading id="numbers">What the numbers say</Heading>
          <Pairs of={NUMBERS} />
          <Heading id="keys">Keys</Heading>
          <Pairs of={KEYS} />
          <Box sx={{ mt: 3, color: "text.secondary" }}>
            <strong>{CAUTIONS[0]}</strong> {CAUTIONS[1]}
          </Box>
        </Box>
      </Box>
    </>
  );
}

const Heading = ({ id, children }: { id: string; children: string }) => (
  <Typography variant="h2" id={id} sx={{ mt: 3, mb: 1 }}>
    {children}
  </Typography>
);

const Pairs = ({ of }: { of: readonly (readonly [string, string])[] }) => (
  <Terms
    sx={{ gridTemplateColumns: "max-content minmax(0,1fr)", rowGap: 1, "& dt": { color: "inherit", fontWeight: 700 } }}
  >
    {of.map(([term, says]) => (
      <Fragment key={term}>
        <dt>{term}</dt>
        <dd>{says}</dd>
      </Fragment>
    ))}
  </Terms>
);

/** Makes a drill of a sample and opens it. */
function Try({ title, sample }: { title: string; sample: string }) {
  const { save, busy } = useSavedDrill();
  const text = sample.includes("title:") ? sample : `title: ${title}\n${/^\w+:/.test(sample) ? "" : "\n"}${sample}`;
  return (
    <Button
      variant="outlined"
      size="small"
      disabled={busy}
      aria-label={`Open as a drill: ${title}`}
      onClick={() => save(`${text}\n`)}
    >
      Open as a drill
    </Button>
  );
}
