/** The list of drills as the server writes it. */
import { DrillsScreen } from "./drills-screen.tsx";
import { drillRow as drill } from "./testing.ts";
import { text } from "../ui/testing.tsx";

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
  test("empty places teach", () => {
    expect(text(<DrillsScreen drills={[]} />)).toMatch(/Write a feed above/);
    expect(text(<DrillsScreen drills={DRILLS} />, "/?q=zzz")).toMatch(/No drill fits/);
  });
});
