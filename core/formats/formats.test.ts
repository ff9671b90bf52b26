import { checkFor } from "../policy/judge.ts";
import { parse } from "../score/parse.ts";
import { scoreView } from "./desk-view.ts";
import { resultJson } from "./result.ts";

const TEXT =
  "title: t\n\nchoose A:\n  one: A jab -> B slip out, cross\n  two: A lead hook -> B slip out\nend\nloop x2:\n  A jab -> B slap parry\nend\n";
const checked = checkFor(parse(TEXT));

test("the result object has the fields of the notation's command line, and no others", () => {
  const json = JSON.parse(JSON.stringify(resultJson(checked)));
  expect(Object.keys(json)).toEqual(["verdict", "summary", "cautions", "exchanges", "findings", "closure", "load"]);
  expect(json.verdict).toBe("broken");
  // Rows are counted as exchanges from the top, a loop's once.
  expect(json.summary).toMatchObject({ exchanges: 3, broken: [2], risky: [] });
  expect(json.findings.map(({ exchange }: { exchange: number }) => exchange)).toEqual([2]);
  expect(json.cautions.at(-1)).toMatchObject({ about: "stop" });
  expect(Object.keys(json.exchanges[0])).toEqual([
    "line",
    "column",
    "label",
    "pass",
    "feed",
    "feeder",
    "answer",
    "responder",
    "verdict",
    "margin_cm",
    "robust",
    "ceiling",
    "layers",
    "findings",
    "followups",
  ]);
  expect(json.exchanges[0]).toMatchObject({
    line: 4,
    column: 10,
    label: "one",
    pass: null,
    feed: "jab",
    feeder: "A",
    answer: ["slip"],
    responder: "B",
    verdict: "valid",
    robust: 1,
  });
  expect(json.exchanges[0].layers[0]).toMatchObject({ move: "slip", by: "displace" });
  expect(json.exchanges[0].margin_cm).toBeGreaterThan(3);
  expect(json.exchanges[1].findings[0]).toMatchObject({ rule: "line-open", severity: "error", line: 5 });
  expect(json.exchanges[2]).toMatchObject({ pass: 1 });
  expect(json.closure).toEqual({ closes: true, differences: [] });
  expect(json.load.total).toBeGreaterThan(0);
  expect(Object.keys(json.exchanges[0].followups[0])).toEqual(["move", "limb", "state", "threat"]);
});

test("an unanswered feed is an exchange with no answer, a meeting one with both moves", () => {
  expect(resultJson(checkFor(parse("A jab, cross -> B slip out"))).exchanges[1]).toMatchObject({
    feed: "cross",
    answer: [],
    verdict: "invalid",
  });
  const meeting = resultJson(
    checkFor(parse("A: holds stick\nB: holds stick\n\nA R forehand high <> B R forehand high")),
  ).exchanges[0];
  expect(meeting).toMatchObject({ feed: "forehand", answer: ["forehand"], verdict: "valid" });
});

test("the view for screens is plain data with places in the whole text", () => {
  const view = scoreView(checked);
  expect(structuredClone(view)).toEqual(view);
  const slip = view.exchanges[0]!;
  expect(TEXT.slice(slip.from, slip.to)).toBe("jab -> B slip out");
  expect(slip.returns).toEqual([
    { text: "cross", from: TEXT.indexOf("cross"), lands: true, reaction: "the head goes back" },
  ]);
  expect(slip.before - slip.after).toBeCloseTo(0.25, 2);
});
