/** The class sheet: one page of A4 with the timetable, who with whom, the texts, gear and cautions. */
import { useMemo } from "react";
import type { PlanPage } from "#server/views.ts";
import { CAUTIONS } from "../paper/cautions.ts";
import { SvgPages } from "../paper/svg-pages.tsx";
import { shortDate } from "../ui/dates.ts";
import { Notice } from "../ui/parts.tsx";
import { gearLine, sheetBlocks, sheetPage, sheetRungs, shortNames } from "./sheet-layout.ts";

/** Most notes on paper; the screen has them all. */
const NOTES = 5;

export function SheetScreen({ page, school }: { page: PlanPage; school: string }) {
  const { lesson, kept } = page;
  const pages = useMemo(() => (page.kept ? [sheetOf(page, page.kept.plan, school)] : []), [page, school]);
  return (
    <>
      <SvgPages
        title={`Class sheet: ${lesson.title}`}
        pages={pages}
        back={{ to: `/class/${lesson.id}/plan`, label: "Back to the plan" }}
        trouble={null}
      />
      {!kept && <Notice>This class has no plan yet: make it on the class’s page first.</Notice>}
    </>
  );
}

function sheetOf(
  { lesson, rungs, names, gear, people }: PlanPage,
  plan: NonNullable<PlanPage["kept"]>["plan"],
  school: string,
) {
  const short = shortNames(people.map((p) => p.name));
  return sheetPage({
    title: lesson.title,
    under: `${school}, ${shortDate(lesson.held_on)}, ${lesson.minutes} minutes`,
    blocks: sheetBlocks(plan, (id) => short(names[id] ?? "Former member")),
    rungs: sheetRungs(plan, rungs),
    notes: plan.notes.slice(0, NOTES),
    needs: `Gear at hand: ${gearLine(gear)}. Floor needed: ${plan.floor} m².`,
    cautions: CAUTIONS,
  });
}
