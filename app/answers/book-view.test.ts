import { type Book, trainedKey } from "#core/answers/book.ts";
import { holesOf, mapView, trainedBroken } from "./book-view.ts";

const feed = (text: string, tool: "hand" | "stick") => ({
  text,
  tool,
  distance: 1,
  range: tool === "hand" ? ("punch" as const) : ("weapon" as const),
});
const book: Book = {
  feeds: [feed("jab", "hand"), feed("cross", "hand"), feed("backhand low", "stick")],
  answers: [
    { text: "slip out", group: "head" },
    { text: "parry", group: "hand" },
    { text: "low sweep", group: "weapon" },
  ],
  codes: [
    ["vv ", "vx "],
    ["rx ", "vx "],
    ["xxx", "xx "],
  ],
  feedKeys: ["j", "c", "b"],
  answerKeys: ["s", "p", "l"],
};
const all = { side: "usual", tool: "all", range: "all" } as const;
const today = "2026-11-25";
const trained = {
  [trainedKey("left", "j", "s")]: "2026-11-18",
  [trainedKey("left", "j", "p")]: "2026-06-01",
  [trainedKey("right", "j", "s")]: "2026-06-01",
};

test("the map shows the side that was chosen, and the worse of both", () => {
  const codes = (side: "usual" | "other" | "both") =>
    mapView(book, {}, { ...all, side }, today).rows.map((r) => r.cells.map((c) => c.code).join(""));
  expect(codes("usual")).toEqual(["vv ", "rx ", "xxx"]);
  expect(codes("other")).toEqual(["vx", "vx", "xx"]);
  expect(codes("both")).toEqual(["vx", "rx", "xx"]);
});
test("filters leave out rows, and columns in which nothing can be done", () => {
  const hands = mapView(book, {}, { ...all, tool: "hand" }, today);
  expect(hands.rows.map((r) => r.feed.text)).toEqual(["jab", "cross"]);
  expect(hands.columns.map((c) => c.text)).toEqual(["slip out", "parry"]);
  expect(mapView(book, {}, { ...all, range: "weapon" }, today).rows).toHaveLength(1);
  expect(mapView(book, {}, all, today).rows.map((r) => r.starts)).toEqual([false, false, true]);
});
test("training is lately, long ago or never; on both sides the rarer one counts", () => {
  const first = (side: "usual" | "both") =>
    mapView(book, trained, { ...all, side }, today).rows[0]!.cells.map((c) => c.trained);
  expect(first("usual")).toEqual(["lately", "long ago", "never"]);
  expect(first("both")).toEqual(["long ago", "never"]);
});
test("holes: nothing works, only risky, works but never trained", () => {
  expect(holesOf(book, trained).map((h) => `${h.text} ${h.side} ${h.kind}`)).toEqual([
    "backhand low 0 none",
    "backhand low 1 none",
    "cross 0 risky",
    "cross 1 untrained",
  ]);
});

test("what was trained and does not hold is said, the latest first", () => {
  expect(trainedBroken(book, trained)).toEqual([]);
  const badly = {
    ...trained,
    [trainedKey("left", "c", "p")]: "2026-10-01",
    [trainedKey("right", "j", "p")]: "2026-11-01",
  };
  expect(trainedBroken(book, badly)).toEqual([
    { feed: "jab", answer: "parry", side: 1, day: "2026-11-01" },
    { feed: "cross", answer: "parry", side: 0, day: "2026-10-01" },
  ]);
});
