/** The list of drills as the server writes it. */
import { DrillsScreen } from "./drills-screen.tsx";
import { drillRow as drill } from "#core/lists/testing.ts";
import { html, text } from "../ui/testing.tsx";

const DRILLS = [
  drill("Weave", { kind: "flow", verdict: "risky" }),
  drill("Angles", { last_trained: "2026-11-02", summary: { tools: ["stick"] } }),
  drill("Broken one", { verdict: "broken" }),
];

describe("drills", () => {
  const titles = (path: string) =>
    [...text(<DrillsScreen drills={DRILLS} />, path).matchAll(/Weave|Angles|Broken one/g)].map((m) => m[0]);
  test("are sorted by title and say when they were last trained", () => {
    expect([...new Set(titles("/"))]).toEqual(["Angles", "Broken one", "Weave"]);
    expect(text(<DrillsScreen drills={DRILLS} />)).toMatch(/2 Nov/);
  });
  test("filters are part of the address", () => {
    expect([...new Set(titles("/?kind=flow"))]).toEqual(["Weave"]);
    expect([...new Set(titles("/?verdict=broken"))]).toEqual(["Broken one"]);
    expect([...new Set(titles("/?q=stick"))]).toEqual(["Angles"]);
  });
  test("a hundred are drawn at once; what is folded below a drill is chosen with it", () => {
    const many = Array.from({ length: 130 }, (_, i) => drill(`Drill ${1000 + i}`));
    const screen = html(<DrillsScreen drills={many} />);
    expect(screen.match(/aria-label="Star Drill/g)).toHaveLength(100);
    expect(text(<DrillsScreen drills={many} />)).toContain("Show 30 more");
    const rung = drill("Rung", { parent_id: "Weave" });
    expect(html(<DrillsScreen drills={[...DRILLS, rung]} />)).toContain('aria-label="Choose Weave and 1 made from it"');
  });
  test("tags stand beside the title, and among the filters where there are any", () => {
    const tagged = drill("Angles", { tags: ["term exam"] });
    expect(text(<DrillsScreen drills={[tagged]} />)).toMatch(/Any tag term exam/);
    expect(text(<DrillsScreen drills={DRILLS} />)).not.toMatch(/Any tag/);
  });
  test("empty places teach", () => {
    expect(text(<DrillsScreen drills={[]} />)).toMatch(/Write a feed above/);
    expect(text(<DrillsScreen drills={DRILLS} />, "/?q=zzz")).toMatch(/No drill fits/);
  });
});
