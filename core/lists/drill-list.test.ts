/** What is found in the list of drills, and what stands below what. */
import { filtered, grouped, isFiltered, NO_FILTERS, sorted, tagsOf, type DrillListRow } from "./drill-list.ts";
import { drillRow as drill } from "./testing.ts";

const ids = (drills: readonly DrillListRow[]) => drills.map(({ id }) => id);

test("words are found without marks and capitals, and by the moves in a drill", () => {
  const all = [drill("Café jab"), drill("Weave", { summary: { tools: ["stick"] } }), drill("Angles")];
  const found = (q: string, byMove: string[] = []) => ids(filtered(all, { ...NO_FILTERS, q }, new Set(byMove)));
  expect(found("CAFE")).toEqual(["Café jab"]);
  expect(found("stick weave")).toEqual(["Weave"]);
  expect(found("pak sao", ["Angles"])).toEqual(["Angles"]);
  expect(found("pak sao")).toEqual([]);
});

test("stars, kinds and verdicts narrow it down together", () => {
  const all = [drill("a", { starred: true }), drill("b", { starred: true, verdict: "broken" }), drill("c")];
  expect(ids(filtered(all, { ...NO_FILTERS, stars: "starred" }, new Set()))).toEqual(["a", "b"]);
  expect(ids(filtered(all, { ...NO_FILTERS, stars: "starred", verdict: "broken" }, new Set()))).toEqual(["b"]);
  expect(isFiltered(NO_FILTERS)).toBe(false);
  expect(isFiltered({ ...NO_FILTERS, q: "  " })).toBe(false);
  expect(isFiltered({ ...NO_FILTERS, stars: "starred" })).toBe(true);
});

test("tags are searched and filtered by, those on most drills first", () => {
  const all = [drill("a", { tags: ["term exam", "warm-up"] }), drill("b", { tags: ["warm-up"] }), drill("c")];
  expect(tagsOf(all)).toEqual(["warm-up", "term exam"]);
  expect(ids(filtered(all, { ...NO_FILTERS, tag: "warm-up" }, new Set()))).toEqual(["a", "b"]);
  expect(ids(filtered(all, { ...NO_FILTERS, q: "exam" }, new Set()))).toEqual(["a"]);
});

test("worst first, last trained last, and names where nothing else decides", () => {
  const all = [drill("b"), drill("a"), drill("c", { verdict: "broken", last_trained: "2026-11-02" })];
  expect(ids(sorted(all, { key: "verdict", down: false }))).toEqual(["c", "a", "b"]);
  expect(ids(sorted(all, { key: "trained", down: true }))).toEqual(["c", "a", "b"]);
});

test("rungs and variations of variations stand below the drill they come from", () => {
  const all = [
    drill("rung of rung", { parent_id: "rung" }),
    drill("base"),
    drill("rung", { parent_id: "base" }),
    drill("of a deleted one", { parent_id: "gone" }),
    drill("x", { parent_id: "y" }),
    drill("y", { parent_id: "x" }),
  ];
  const shown = grouped(all).map(({ drill: { id }, below }) => [id, ids(below)]);
  expect(shown).toContainEqual(["base", ["rung of rung", "rung"]]);
  expect(shown).toContainEqual(["of a deleted one", []]);
  // Whatever stands in a circle, nothing is lost.
  expect(shown.flatMap(([id, below]) => [id, ...below!]).sort()).toEqual(ids(all).sort());
});
