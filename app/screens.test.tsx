/** Screens as the server writes them: what stands on the page before any script runs. */
import { repairsOf } from "#core/answers/repairs.ts";
import { findingKey } from "#core/findings/finding.ts";
import { defaultSchool } from "#core/policy/school.ts";
import { checkFor } from "#core/policy/judge.ts";
import { ThemeProvider } from "@mui/material/styles";
import type { ReactNode } from "react";
import { renderToString } from "react-dom/server";
import { createMemoryRouter, RouterProvider } from "react-router";
import { scoreView } from "#core/formats/desk-view.ts";
import { parse } from "#core/score/parse.ts";
import { CardScreen } from "./class/card-screen.tsx";
import { ClassScreen } from "./class/class-screen.tsx";
import { ConflictView, TextDiff } from "./desk/conflict.tsx";
import { Findings } from "./desk/findings.tsx";
import { RevisionsScreen } from "./desk/revisions-screen.tsx";
import { describe as words } from "./drawing/crossing-parts.tsx";
import { ScoreDrawing } from "./drawing/score-drawing.tsx";
import { DrillsScreen, type DrillListRow } from "./drills/drills-screen.tsx";
import { shortDate } from "./ui/frame.tsx";
import { PartnerMark, VerdictRing } from "./ui/marks.tsx";
import { theme } from "./ui/theme.ts";
import { faultOf, Trouble } from "./ui/trouble.tsx";

function html(element: ReactNode, path = "/"): string {
  const router = createMemoryRouter([{ path: "*", element: <ThemeProvider theme={theme}>{element}</ThemeProvider> }], {
    initialEntries: [path],
  });
  return renderToString(<RouterProvider router={router} />);
}
const text = (markup: string): string =>
  markup
    .replace(/<style[^>]*>.*?<\/style>/gs, "")
    .replace(/<[^>]+>/g, " ")
    .replace(/&#x27;/g, "'")
    .replace(/&gt;/g, ">")
    .replace(/\s+/g, " ");

const drill = (title: string, more: Partial<DrillListRow> = {}): DrillListRow => ({
  id: title,
  title,
  kind: "feeder",
  verdict: "sound",
  load_total: 5,
  last_trained: null,
  parent_title: null,
  changed: null,
  summary: { level: "beginners", tools: [], exchanges: 3, findings: 0 },
  ...more,
});
const DRILLS = [
  drill("Weave", { kind: "flow", verdict: "risky" }),
  drill("Angles", { last_trained: "2026-11-02", summary: { tools: ["stick"] } }),
  drill("Broken one", { verdict: "broken" }),
];

describe("drills", () => {
  const titles = (path: string) =>
    [...text(html(<DrillsScreen drills={DRILLS} />, path)).matchAll(/Weave|Angles|Broken one/g)].map((m) => m[0]);
  test("are sorted by title and say when they were last trained", () => {
    expect([...new Set(titles("/"))]).toEqual(["Angles", "Broken one", "Weave"]);
    expect(text(html(<DrillsScreen drills={DRILLS} />))).toMatch(/2 Nov/);
  });
  test("filters are part of the address", () => {
    expect([...new Set(titles("/?kind=flow"))]).toEqual(["Weave"]);
    expect([...new Set(titles("/?verdict=broken"))]).toEqual(["Broken one"]);
    expect([...new Set(titles("/?q=stick"))]).toEqual(["Angles"]);
  });
  test("empty places teach", () => {
    expect(text(html(<DrillsScreen drills={[]} />))).toMatch(/Write a feed above/);
    expect(text(html(<DrillsScreen drills={DRILLS} />, "/?q=zzz"))).toMatch(/No drill fits/);
  });
});

describe("desk", () => {
  const TEXT = "A jab -> B slip in, cross\nA lead hook -> B slip out";
  const view = scoreView(checkFor(parse(TEXT)));
  const noop = () => undefined;
  test("each crossing of the drawing says what it is", () => {
    const markup = html(<ScoreDrawing view={view} cursor={null} />);
    expect(markup).toMatch(/aria-label="A jab, answered by B slip in: risky, clear by 5.5 cm"/);
    expect(markup).toMatch(/aria-label="A lead hook, answered by B slip out: invalid, misses by 9 cm"/);
    expect(markup).toMatch(/B returns cross/);
  });
  test("an unanswered feed is said so", () => {
    expect(words(scoreView(checkFor(parse("A jab"))).exchanges[0]!)).toBe("A jab: nobody answers");
  });
  test("findings come worst first, with repairs", () => {
    const mended = repairsOf(
      TEXT,
      checkFor(parse(TEXT)),
      view.findings.find((f) => f.line === 2)!,
      defaultSchool(),
    );
    const repairs = { [findingKey(view.findings.find((f) => f.line === 2)!)]: mended };
    const page = text(
      html(<Findings view={view} repairs={repairs} text={TEXT} cursor={null} onPick={noop} onRepair={noop} />),
    );
    expect(page).toMatch(/2 findings/);
    expect(page.indexOf("Row 2")).toBeLessThan(page.indexOf("Row 1"));
    expect(page).toMatch(/Answer with weave/);
  });
  test("at the cursor stand the numbers that the verdict rests on", () => {
    const page = text(html(<Findings view={view} repairs={{}} text={TEXT} cursor={4} onPick={noop} onRepair={noop} />));
    expect(page).toMatch(/risky by 5\.5 cm/);
    expect(page).toMatch(/feed 450 ms, answer 180 ms, noticing 190 ms/);
    expect(page).toMatch(/Ends inside/);
    expect(page).toMatch(/Other answers/);
  });
  test("a sound drill says so and defers to the instructor", () => {
    const sound = scoreView(checkFor(parse("A jab -> B slip out")));
    expect(
      text(html(<Findings view={sound} repairs={{}} text="" cursor={null} onPick={noop} onRepair={noop} />)),
    ).toMatch(/Nothing to mend.*local rules decide/);
  });
  test("a conflict shows both texts and the ways out", () => {
    const page = text(
      html(
        <ConflictView
          mine={"one\nmine\n"}
          theirs={{ text: "one\ntheirs\n", author: "Maren", version: 4 }}
          onKeepMine={noop}
          onTakeTheirs={noop}
          copy={null}
        />,
      ),
    );
    expect(page).toMatch(/Maren saved revision 4/);
    expect(page).toMatch(/− theirs/);
    expect(page).toMatch(/\+ mine/);
    expect(page).toMatch(/Keep mine on top.*Take theirs/);
  });
  test("differences are told by signs, not by colour alone", () => {
    expect(text(html(<TextDiff before={"a\nb\n"} after={"a\nc\n"} beforeName="old" afterName="new" />))).toMatch(
      /a − b old \+ c new/,
    );
  });
  test("revisions can be gone back to, but not the newest", () => {
    const rows = [2, 1].map((number) => ({
      number,
      text: `v${number}`,
      verdict: "sound" as const,
      author: "Maren",
      at: "2026-11-02T10:00:00Z",
      auto: number === 2,
    }));
    const page = text(html(<RevisionsScreen id="x" title="Quay" version={2} revisions={rows} />));
    expect(page.match(/Go back to this/g)).toHaveLength(1);
    expect(page).toMatch(/saved by itself/);
  });
});

describe("class and card", () => {
  const lesson = { id: "c", title: "Tonight", version: 1, held_on: "2026-11-25", minutes: 90 };
  const names = [
    { actor: "A" as const, id: "a", name: "Edda", minor: false, limits: ["no falls"] },
    { actor: "B" as const, id: "b", name: "Odo", minor: false, limits: [] },
  ];
  const pair = {
    id: "p",
    names,
    why: "not met before",
    drillId: "d",
    revisionId: "r",
    title: "Quay",
    text: "title: Quay\ntempo: 50%\n\n# secret\nA jab -> B catch\n",
    verdict: "sound" as const,
    distance: 1.17,
    notes: [],
  };
  test("a class without pairs says what to do", () => {
    expect(
      text(
        html(
          <ClassScreen lesson={lesson} students={[]} present={[]} pairs={[]} drills={[]} gear={[]} planned={null} />,
        ),
      ),
    ).toMatch(/The school has no people yet.*Tick who is here/);
  });
  test("pairs are shown with the reason, the limits and the distance", () => {
    const page = text(
      html(
        <ClassScreen
          lesson={lesson}
          students={[]}
          present={[]}
          pairs={[pair]}
          drills={[]}
          gear={[{ kind: "mitts", count: 3 }]}
          planned={null}
        />,
      ),
    );
    expect(page).toMatch(/Edda no falls.*Odo.*not met before.*1\.17 m apart/);
  });
  test("a planned evening shows its plan in place of a single round", () => {
    const page = text(
      html(
        <ClassScreen lesson={lesson} students={[]} present={[]} pairs={[pair]} drills={[]} gear={[]} planned={12} />,
      ),
    );
    expect(page).toMatch(/The evening is planned: 12 rounds.*Drop the plan/);
    expect(page).not.toMatch(/Pair them|Edda/);
  });
  test("the card has names, play and safety, no header and no remarks", () => {
    const page = text(html(<CardScreen lesson={lesson} school="Ropewalk" pairs={[pair]} />));
    expect(page).toMatch(/A Edda · B Odo/);
    expect(page).toMatch(/A jab -> B catch/);
    expect(page).toMatch(/“Stop” ends everything/);
    expect(page).not.toMatch(/secret|tempo:/);
  });
  test("an empty card says why", () => {
    expect(text(html(<CardScreen lesson={lesson} school="Ropewalk" pairs={[]} />))).toMatch(/Nobody is paired yet/);
  });
});

describe("marks and trouble", () => {
  test("verdicts and partners have a word each", () => {
    expect(html(<VerdictRing verdict="risky" />)).toMatch(/aria-label="risky"/);
    expect(text(html(<VerdictRing verdict="broken" word />))).toMatch(/broken/);
    expect(html(<PartnerMark actor="C" />)).toMatch(/aria-label="partner C"/);
  });
  test("trouble is said in plain words", () => {
    expect(text(html(<Trouble kind="database" />))).toMatch(/cannot be reached.*tries again/);
    expect(text(html(<Trouble kind="missing" detail="Gone." />))).toMatch(/Gone\./);
    expect(text(html(<Trouble kind="fault" detail="secret stack" />))).not.toMatch(/secret/);
    expect(text(html(<Trouble kind="page" detail="secret stack" />))).toMatch(/Reload the page(?!.*(?:secret|log))/);
  });
  test("only a fault of the server is said to be in its log", () => {
    expect(faultOf(new Error("Unexpected Server Error"), false)).toBe("fault");
    expect(faultOf(new Error("cannot read properties"), true)).toBe("fault");
    expect(faultOf(new Error("cannot read properties"), false)).toBe("page");
    expect(faultOf("thrown words", false)).toBe("page");
  });
  test("dates are the day as it stands", () => {
    expect(shortDate("2026-03-09")).toBe("9 Mar");
  });
});
