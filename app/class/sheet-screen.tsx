/** The class sheet: one page of A4 with the timetable, who with whom, the texts, gear and cautions. */
import Box from "@mui/material/Box";
import type { PlanPage } from "#server/class-plan.ts";
import { A4Head, A4Page } from "../paper/a4.tsx";
import { CAUTIONS } from "../paper/cautions.ts";
import { shortDate } from "../ui/frame.tsx";
import { FONTS } from "../ui/theme.ts";
import { gearLine, sheetBlocks, sheetRungs, sheetSize, shortNames } from "./sheet-layout.ts";

/** Most notes on paper; the screen has them all. */
const NOTES = 5;

export function SheetScreen({ page, school }: { page: PlanPage; school: string }) {
  const { lesson, kept, rungs, names, gear } = page;
  const short = shortNames(page.people.map((p) => p.name));
  const nameOf = (id: string) => short(names[id] ?? "Former member");
  const plan = kept?.plan ?? null;
  const blocks = plan ? sheetBlocks(plan, nameOf) : [];
  const texts = plan ? sheetRungs(plan, rungs) : [];
  const notes = plan?.notes.slice(0, NOTES) ?? [];
  const size = sheetSize(blocks, texts, notes);
  return (
    <A4Page
      label="Class sheet"
      size={size}
      margin={10}
      back={{ to: `/class/${lesson.id}/plan`, label: "Back to the plan" }}
    >
      <A4Head title={lesson.title}>
        {school}, {shortDate(lesson.held_on)}, {lesson.minutes} minutes
      </A4Head>
      {!plan && <p>This class has no plan yet: make it on the class’s page first.</p>}
      {blocks.map((b) => (
        <Box key={b.from} sx={{ display: "flex", gap: "3mm", borderBottom: "0.5px solid #999", py: "0.15em" }}>
          <Box sx={{ width: "2.6em", textAlign: "right", fontWeight: 700, flex: "none" }}>{b.from}′</Box>
          <Box sx={{ flex: 1 }}>
            <Box sx={{ fontWeight: 700 }}>
              {b.rung === null ? b.title : `${b.rung + 1}. ${b.title}`}
              <Box component="span" sx={{ fontWeight: 400 }}>
                {" "}
                {b.minutes} min
              </Box>
            </Box>
            {b.rounds.map((r) => (
              <Box key={r.number} sx={{ display: "flex", gap: "2mm" }}>
                <Box sx={{ flex: "none", width: "1.6em", textAlign: "right" }}>{r.number}</Box>
                <Box sx={{ flex: 1, "& span": { display: "inline-block", mr: "1.1em" } }}>
                  {r.pairs.map((pair) => (
                    <span key={pair}>{pair}</span>
                  ))}
                </Box>
              </Box>
            ))}
          </Box>
        </Box>
      ))}
      <Box sx={{ columns: 2, columnGap: "6mm", mt: "0.6em" }}>
        {texts.map((r) => (
          <Box key={r.number} sx={{ breakInside: "avoid", mb: "0.4em" }}>
            <strong>
              {r.number}. {r.title}
            </strong>
            <Box component="pre" sx={{ m: 0, fontFamily: FONTS.mono, fontSize: "0.92em", whiteSpace: "pre-wrap" }}>
              {r.rows.join("\n")}
            </Box>
          </Box>
        ))}
      </Box>
      {plan && (
        <Box sx={{ mt: "0.4em" }}>
          {notes.map((note) => (
            <Box key={note}>! {note}</Box>
          ))}
          <Box>
            Gear there: {gearLine(gear)}. Floor needed: {plan.floor} m².
          </Box>
        </Box>
      )}
      <Box sx={{ mt: "0.6em", pt: "0.4em", borderTop: "2px solid #000" }}>
        <strong>{CAUTIONS[0]}</strong> {CAUTIONS[1]}
      </Box>
    </A4Page>
  );
}
