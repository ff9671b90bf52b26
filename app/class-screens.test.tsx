/** People, term, plan, sheet and wall as the server writes them. */
import type { PlanPage, PersonView } from "#server/views.ts";
import { ThemeProvider } from "@mui/material/styles";
import type { ReactNode } from "react";
import { renderToString } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import type { PlannedPair } from "#core/class/plan.ts";
import type { Block } from "#core/class/timetable.ts";
import { Attendance, listed } from "./class/attendance.tsx";
import { PlanPairs } from "./class/plan-pairs.tsx";
import { PlanScreen } from "./class/plan-screen.tsx";
import { SHEET_SIZES, sheetBlocks, sheetPage, sheetRungs, shortNames } from "./class/sheet-layout.ts";
import { SheetScreen } from "./class/sheet-screen.tsx";
import { swapCostIn } from "./class/swap-cost.ts";
import { WallScreen } from "./class/wall-screen.tsx";
import { PAGE, type CardPage } from "./paper/drill-card-layout.ts";
import { toolsFrom } from "./ladder/wishes.tsx";
import { PeopleScreen } from "./people/people-screen.tsx";
import { TermScreen } from "./term/term-screen.tsx";
import { theme } from "./ui/theme.ts";
import { PAIR_WEIGHTS } from "#core/policy/pair-weights.ts";
import { StageOrder } from "./words/stage-order.tsx";
import { Weights } from "./words/weights.tsx";

function text(element: ReactNode): string {
  const router = createMemoryRouter([{ path: "*", element: <ThemeProvider theme={theme}>{element}</ThemeProvider> }]);
  return renderToString(<RouterProvider router={router} />)
    .replace(/<style[^>]*>.*?<\/style>/gs, "")
    .replace(/<[^>]+>/g, " ")
    .replace(/&#x27;/g, "'")
    .replace(/&gt;/g, ">")
    .replace(/\s+/g, " ");
}

const pair = (a: string, b: string, more: Partial<PlannedPair> = {}): PlannedPair => ({
  a,
  b,
  c: null,
  locked: false,
  rung: 0,
  verdict: "sound",
  distance: 1.12,
  why: ["not met before"],
  notes: [],
  ...more,
});
const block = (more: Partial<Block>): Block => ({
  id: "w",
  kind: "work",
  title: "The jab and its answer",
  minutes: 12,
  rung: 0,
  rounds: 1,
  locked: false,
  ...more,
});
const NAMES = { p1: "Edda Vire", p2: "Odo Lachs", p3: "Liv Tarn", p4: "Edda Amsel" };
const person = (id: keyof typeof NAMES) => ({
  id,
  name: NAMES[id],
  height_cm: 170,
  reach_cm: null,
  mass_kg: 70,
  lead: "left" as const,
  hand: "right" as const,
  minor: false,
  level: 3,
  limits: [],
  from: 0,
  until: null,
});
const rounds = [
  { pairs: [pair("p1", "p2"), pair("p3", "p4", { rung: 1, notes: ["Without contact."] })], turn: 0 },
  { pairs: [pair("p1", "p3"), pair("p2", "p4")], turn: 1 },
].map((r) => ({ ...r, block: "w", side: "left" as const, done: false, alone: [] }));
const page: PlanPage = {
  lesson: {
    id: "k",
    held_on: "2026-11-25",
    title: "Tonight",
    minutes: 60,
    theme: "",
    starts_at: "19:00:00",
    ladder_id: null,
    version: 1,
  },
  people: (Object.keys(NAMES) as (keyof typeof NAMES)[]).map(person),
  ladders: [{ id: "l", drill_id: "d", title: "Six rungs", rungs: 6 }],
  drills: [{ id: "d", title: "Quay" }],
  chosen: { ladder: "l", drill: "d" },
  rungs: [
    {
      text: "A: lead left\n\nA jab -> B catch\n",
      title: "The jab and its answer",
      load: 3,
      revisionId: "r1",
      drillId: "d1",
    },
    { text: "A jab -> B catch, cross\n", title: "Add a return", load: 5, revisionId: "r2", drillId: "d2" },
  ],
  kept: {
    ladder: "l",
    drill: "d",
    clock: { round: 180, change: 30, rest: 45 },
    locked: [],
    done: 1,
    plan: {
      ok: true,
      blocks: [
        block({ id: "warm-up", kind: "warm-up", title: "Warm-up", minutes: 10, rung: null, rounds: 0 }),
        block({}),
      ],
      left: 38,
      rounds,
      shares: [],
      notes: ["12 sticks are needed, 6 are there."],
      floor: 24,
      queue: 60,
    },
  },
  wishes: [],
  met: {},
  gear: { stick: 6, mitts: 0 },
  over: false,
  names: NAMES,
};

const student = (name: string, more: Partial<PersonView> = {}): PersonView => ({
  id: name,
  name,
  height_cm: 171,
  reach_cm: null,
  mass_kg: 66,
  lead: "left",
  hand: "right",
  minor: false,
  levels: { flow: 4 },
  limits: ["no falls"],
  limits_until: null,
  agreed: "",
  version: 1,
  archived: false,
  ...more,
});

describe("the sheet", () => {
  test("first names where they are enough, a letter more where they are not", () => {
    const short = shortNames(Object.values(NAMES));
    expect(Object.values(NAMES).map(short)).toEqual(["Edda V.", "Odo", "Liv", "Edda A."]);
  });
  test("blocks have their minutes from the start, and a pair’s own rung", () => {
    const blocks = sheetBlocks(page.kept!.plan, (id) => id);
    expect(blocks.map((b) => b.from)).toEqual([0, 10]);
    expect(blocks[1]!.rounds.map((r) => r.pairs)).toEqual([
      ["p1 – p2", "p3 – p4 (2)"],
      ["p1 – p3", "p2 – p4"],
    ]);
  });
  test("only rungs that are worked on are written out, without their header rows", () => {
    expect(sheetRungs(page.kept!.plan, page.rungs).map((r) => r.rows)).toEqual([
      ["A jab -> B catch"],
      ["A jab -> B catch, cross"],
    ]);
  });
  const sheet = (blocks: ReturnType<typeof sheetBlocks>, rows = 2) =>
    sheetPage({
      title: "Tonight",
      under: "Ropewalk, 25 Nov, 60 minutes",
      blocks,
      rungs: [1, 2, 3].map((number) => ({
        number,
        title: "The jab",
        rows: Array<string>(rows).fill("A jab -> B catch"),
      })),
      notes: ["12 sticks are needed, 6 are there."],
      needs: "Gear there: 6 sticks.",
      cautions: ["“Stop” ends everything.", "Slow before fast."],
    });
  const largest = (made: CardPage) => Math.max(...made.texts.filter((t) => t.face === "bold").map((t) => t.size));
  test.each([1, 8, 20, 26])("%i blocks stay within one page, and no two lines stand on each other", (count) => {
    const [, block] = sheetBlocks(page.kept!.plan, (id) => id);
    const made = sheet(Array.from({ length: count }, () => block!));
    for (const { x, y } of made.texts) {
      expect(y).toBeLessThanOrEqual(PAGE.height - PAGE.margin);
      expect(x).toBeGreaterThanOrEqual(PAGE.margin);
    }
    const places = made.texts.map((t) => `${t.x.toFixed(1)},${t.y.toFixed(1)}`);
    expect(new Set(places).size).toBe(places.length);
  });
  test("more on the sheet never makes larger letters; little is written large", () => {
    const [, block] = sheetBlocks(page.kept!.plan, (id) => id);
    const sizes = [1, 8, 20, 26].map((count) => largest(sheet(Array.from({ length: count }, () => block!))));
    expect([...sizes].sort((one, two) => two - one)).toEqual(sizes);
    expect(sizes[0]).toBe(SHEET_SIZES[0]);
    expect(sizes[3]).toBeLessThan(sizes[0]!);
    expect(largest(sheet([block!], 40))).toBeLessThan(largest(sheet([block!], 2)));
  });
  test("the page has timetable, pairs, texts, what to look at, gear there and the stop word", () => {
    const sheet = text(<SheetScreen page={page} school="Ropewalk" />);
    expect(sheet).toMatch(/0' Warm-up, 10 min/);
    expect(sheet).toMatch(/Edda\s+V\.\s+–\s+Odo/);
    expect(sheet).toMatch(/12 sticks are needed/);
    expect(sheet).toMatch(/Gear there: 6 sticks/);
    expect(sheet).not.toMatch(/0 focus mitts/);
    expect(sheet).toMatch(/“Stop” ends everything/);
  });
  test("without a plan it says what to do", () => {
    expect(text(<SheetScreen page={{ ...page, kept: null }} school="x" />)).toMatch(/no plan yet/);
    expect(text(<WallScreen page={{ ...page, kept: null }} />)).toMatch(/no plan yet/);
  });
});

test("the wall shows the round that comes next, with each pair’s own rung", () => {
  const wall = text(<WallScreen page={page} />);
  expect(wall).toMatch(/Round 2 of 2/);
  expect(wall).toMatch(/Edda Vire .*Liv Tarn/);
  expect(text(<WallScreen page={{ ...page, kept: { ...page.kept!, done: 0 } }} />)).toMatch(
    /their own rung: Add a return/,
  );
});
test("the plan says whose it is before it is worked out", () => {
  expect(text(<PlanScreen page={{ ...page, over: true }} />)).toMatch(/This class is over: its log stays/);
  expect(text(<PlanScreen page={page} />)).toMatch(/Plan: Tonight .*60 minutes, 4 here/);
});
test("pairs say why and what to look at; a round that was run cannot be changed", () => {
  const show = (done: boolean) =>
    text(
      <PlanPairs
        round={{ ...rounds[0]!, done }}
        at={0}
        rungs={page.rungs}
        nameOf={(id) => NAMES[id as keyof typeof NAMES]}
        onLock={() => undefined}
        onSwap={() => undefined}
        costOf={() => null}
      />,
    );
  expect(show(false)).toMatch(/Edda Vire .*Odo Lachs .*1\.12 m apart; not met before/);
  expect(show(false)).toMatch(/2 \. Add a return .*Without contact\./);
});
test("what a swap costs comes from heights, weights and who met", () => {
  const tall = page.people.map((p) => (p.id === "p1" || p.id === "p2" ? { ...p, height_cm: 190 } : p));
  const cost = (one: string, two: string) =>
    swapCostIn({ people: tall, met: {}, wishes: [] }, { rounds, at: 0 }, PAIR_WEIGHTS, [one, two]);
  expect(cost("p2", "p3")).toBeGreaterThan(0);
  expect(cost("p1", "p2")).toBeNull();
});

describe("people", () => {
  test("are listed with measures, levels and limits", () => {
    const list = text(
      <PeopleScreen people={[student("Odo", { minor: true }), student("Edda")]} archived={[]} wishes={[]} gear={[]} />,
    );
    expect(list).toMatch(/Edda 171 cm – 66 kg left right flow 4 no falls .*Odo · minor/);
  });
  test("nobody yet: it says how to begin", () => {
    expect(text(<PeopleScreen people={[]} archived={[]} wishes={[]} gear={[]} />)).toMatch(
      /Nobody is here yet\. Add a person, or read a table/,
    );
  });
});

test("the term lists its classes, newest first, and names who is in two at once", () => {
  const lesson = { ...page.lesson, here: 9, clash: [] as string[] };
  const term = text(
    <TermScreen
      classes={[
        { ...lesson, id: "1", title: "First", held_on: "2026-11-18" },
        { ...lesson, id: "2", title: "Second", theme: "Distance", clash: ["Edda Vire"] },
      ]}
      people={[]}
      today="2026-11-25"
      trained={[]}
    />,
  );
  expect(term).toMatch(/Edda Vire is ticked in two classes at the same time on 25 Nov/);
  expect(term).toMatch(/Second Distance .*First/);
});

describe("who is here", () => {
  const school = Array.from({ length: 90 }, (_, i) => student(`Member ${String(i).padStart(2, "0")}`, { id: `s${i}` }));
  test("a small school is listed whole, without a search", () => {
    expect(listed(school.slice(0, 20), new Set(), "")).toHaveLength(20);
    const few = text(<Attendance students={school.slice(0, 20)} here={new Set()} />);
    expect(few).not.toMatch(/Search by name/);
  });
  test("of a large one those who are here and the first of the others, the rest by name", () => {
    const here = new Set(["s80", "s89"]);
    const shown = listed(school, here, "").map((s) => s.id);
    expect(shown).toHaveLength(62);
    expect(shown).toEqual(expect.arrayContaining(["s0", "s59", "s80", "s89"]));
    expect(shown).not.toContain("s60");
    expect(text(<Attendance students={school} here={here} />)).toMatch(/Search by name.*28 more: search by name\./);
  });
  test("a search finds by any part of the name, and says when it finds nobody", () => {
    expect(listed(school, new Set(), " MEMBER 7").map((s) => s.id)).toEqual(school.slice(70, 80).map((s) => s.id));
    expect(listed(school, new Set(["s1"]), "nobody")).toEqual([]);
    expect(text(<Attendance students={[]} here={new Set()} />)).toMatch(/no people yet/);
  });
});

test("tools of a ladder are those of which there is enough for a pair", () => {
  expect(toolsFrom([{ kind: "stick", count: 3 }])).toEqual(["empty hand", "stick", "stick against hands"]);
  expect(toolsFrom([{ kind: "mitts", count: 1 }])).toEqual(["empty hand", "pads"]);
});
test("the school’s order of stages and its weights are said in words", () => {
  const stages = text(<StageOrder stages={["parts", "tempo", "force"]} onChange={() => undefined} />);
  expect(stages).toMatch(/1 The parts alone 2 Tempo 3 Force/);
  expect(text(<Weights load={{ choice: 3 }} onChange={() => undefined} />)).toMatch(
    /As it came .*choice each bit of what may come 3\.0/,
  );
});
