/** The class sheet: one page with the timetable and who with whom, and one to hand the evening over. */
import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import Stack from "@mui/material/Stack";
import { useEffect, useMemo, useState } from "react";
import { shortNames } from "#core/people/short-names.ts";
import type { PhoneLink, PlanPage } from "#server/views.ts";
import { scoreStaves } from "../drawing/score-layout.ts";
import { smallCards, type SmallCard } from "../paper/small-cards.ts";
import { ask } from "../workers/client.ts";
import { PAGE, type CardPage } from "../paper/drill-card-layout.ts";
import { cautionsFor } from "#core/class/cautions.ts";
import { SvgPages } from "../paper/svg-pages.tsx";
import { shortDate } from "../ui/dates.ts";
import { Notice } from "../ui/parts.tsx";
import { useWayBack } from "../ui/role.tsx";
import { UNSEEN } from "../ui/theme.ts";
import { takeHomePage } from "./take-home-layout.ts";
import { handOverPage } from "./hand-over-layout.ts";
import { gearLine, lineTexts, sheetBlocks, sheetPage, sheetRungs } from "./sheet-layout.ts";

interface SheetProps {
  readonly page: PlanPage;
  readonly school: string;
  readonly link?: PhoneLink | null;
}

/** Most notes on paper; the screen has them all. */
const NOTES = 5;

export function SheetScreen({ page, school, link = null }: SheetProps) {
  const { lesson, kept } = page;
  const back = useWayBack(lesson.id);
  const drawn = useDrawnRungs(page);
  const parts = useMemo(
    () => (page.kept ? partsOf(page, page.kept, { school, link, drawn }) : []),
    [page, school, link, drawn],
  );
  const [left, setLeft] = useState<ReadonlySet<PartName>>(new Set());
  const pages = useMemo(() => parts.flatMap((one) => (left.has(one.name) ? [] : one.pages)), [parts, left]);
  return (
    <>
      <SvgPages title={`Class sheet: ${lesson.title}`} pages={pages} back={back} trouble={null}>
        {kept && <WhatIsPrinted parts={parts} left={left} onLeft={setLeft} />}
      </SvgPages>
      {!kept && <Notice>This class has no plan yet: make it on the class’s page first.</Notice>}
    </>
  );
}

type PartName = "sheet" | "handOver" | "drills" | "home";

/** Pages that are printed or left out together. */
interface Part {
  readonly name: PartName;
  readonly label: string;
  readonly pages: readonly CardPage[];
}

interface PrintedProps {
  readonly parts: readonly Part[];
  readonly left: ReadonlySet<PartName>;
  readonly onLeft: (left: ReadonlySet<PartName>) => void;
}

const WhatIsPrinted = ({ parts, left, onLeft }: PrintedProps) => (
  <Stack direction="row" component="fieldset" sx={{ flexWrap: "wrap", border: 0, m: 0, p: 0 }}>
    <Box component="legend" sx={UNSEEN}>
      What is printed
    </Box>
    {parts.map(({ name, label, pages }) => (
      <FormControlLabel
        key={name}
        label={`${label} (${pages.length})`}
        control={
          <Checkbox
            checked={!left.has(name)}
            disabled={pages.length === 0}
            onChange={(_, isIn) => onLeft(new Set(isIn ? [...left].filter((one) => one !== name) : [...left, name]))}
          />
        }
      />
    ))}
  </Stack>
);

interface Beside {
  readonly school: string;
  readonly link: PhoneLink | null;
  readonly drawn: readonly CardPage[];
}

/** The sheet, the page to hand over, the drills drawn, and what is for home. */
const partsOf = (page: PlanPage, kept: Kept, { school, link, drawn }: Beside): readonly Part[] => [
  { name: "sheet", label: "The evening", pages: [withCode(sheetOf(page, kept, school), link)] },
  { name: "handOver", label: "To hand over", pages: [handOverOf(page, kept, school)] },
  { name: "drills", label: "Drills drawn", pages: drawn },
  { name: "home", label: "For home", pages: takeHomeOf(page, kept, school) },
];

/** The rungs that are worked on, each drawn with its words. */
function useDrawnRungs(page: PlanPage): readonly CardPage[] {
  const [drawn, setDrawn] = useState<readonly CardPage[]>([]);
  useEffect(() => {
    let alive = true;
    const worked = page.kept ? sheetRungs(page.kept.plan, page.rungs, page.words) : [];
    const made = worked.map(async ({ number, title, words }): Promise<SmallCard> => {
      const view = await ask("check", { text: page.rungs[number - 1]!.text });
      return {
        title: `${number}. ${title}`,
        place: page.lesson.title,
        facts: [...words.play.map(({ text }) => text), [...words.cues, words.goOn].join(" ")],
        staves: scoreStaves(view),
        words: [],
        isPart: true,
      };
    });
    // Without the drawings the sheet is a sheet all the same.
    Promise.all(made).then(
      (cards) => alive && setDrawn(smallCards(cards)),
      () => undefined,
    );
    return () => {
      alive = false;
    };
  }, [page]);
  return drawn;
}

/** Width of a code that a phone reads at arm's length, mm. */
const CODE = 17;

/** The code of the link in the upper right corner, beside the title. */
const withCode = (page: CardPage, link: PhoneLink | null): CardPage =>
  link
    ? { ...page, codes: [{ x: PAGE.width - PAGE.margin - CODE, y: PAGE.margin - 8, width: CODE, qr: link.qr }] }
    : page;

type Kept = NonNullable<PlanPage["kept"]>;

const headOf = ({ lesson, people }: PlanPage, { clock, plan }: Kept, school: string) => ({
  check: plan.check ?? "",
  title: lesson.title,
  under: `${school}, ${shortDate(lesson.held_on)}, ${lesson.minutes} minutes, ${people.length} here. Rounds of ${clock.round / 60} min, ${clock.rest} s between.`,
});
const needsOf = ({ gear }: PlanPage, { plan }: Kept): string =>
  `Gear at hand: ${gearLine(gear)}. Floor needed: ${plan.floor} m².`;

function sheetOf(page: PlanPage, kept: Kept, school: string) {
  const { rungs, names, people, words } = page;
  const { plan } = kept;
  const short = shortNames(people.map((p) => p.name));
  // On an instructor's paper what somebody leaves out stands beside the name.
  const limits = new Map(people.map((p) => [p.id, p.limits]));
  const named = (id: string) => {
    const said = limits.get(id) ?? [];
    const name = short(names[id] ?? "Former member");
    return said.length > 0 ? `${name} [${said.map((one) => one.split(":")[0]).join(", ")}]` : name;
  };
  return sheetPage({
    ...headOf(page, kept, school),
    lines: lineTexts(
      plan,
      (id) => short(names[id] ?? "Former member"),
      (id) => people.find((p) => p.id === id)?.level ?? 3,
    ),
    blocks: sheetBlocks(plan, named),
    rungs: sheetRungs(plan, rungs, words),
    notes: plan.notes.slice(0, NOTES),
    needs: needsOf(page, kept),
    cautions: cautionsFor({ taps: words.some(({ taps }) => taps) }),
  });
}

/** The rungs that are worked on, for home. */
function takeHomeOf(page: PlanPage, kept: Kept, school: string): CardPage[] {
  const worked = new Set(kept.plan.blocks.flatMap(({ rung, stations }) => stations ?? (rung === null ? [] : [rung])));
  const words = page.words.filter((_, i) => worked.has(i));
  const made = takeHomePage({ title: page.lesson.title, under: `${school}, ${shortDate(page.lesson.held_on)}`, words });
  return made ? [made] : [];
}

function handOverOf(page: PlanPage, kept: Kept, school: string) {
  const { people, words } = page;
  return handOverPage({
    ...headOf(page, kept, school),
    clock: kept.clock,
    blocks: kept.plan.blocks,
    words,
    mind: people.flatMap(({ name, limits }) => (limits.length > 0 ? [`${name}: ${limits.join(", ")}.`] : [])),
    needs: needsOf(page, kept),
    cautions: cautionsFor({ taps: words.some(({ taps }) => taps) }),
  });
}
