import { checkFor } from "../policy/judge.ts";
import { defaultSchool } from "../policy/school.ts";
import { parse } from "../score/parse.ts";
import { refute, REFUTE_DEFAULTS } from "./refute.ts";

const school = defaultSchool();
const run = (text: string, options = {}) =>
  refute(checkFor(parse(text), school), school, { ...REFUTE_DEFAULTS, ...options });

test("a sound drill at walking pace says how many plies it holds", () => {
  expect(run("tempo: 40%\n\nA jab -> B slip out, cross")).toMatchObject({ kind: "holds", plies: 3 });
});

test("at a tempo where nothing is in time it gives the shortest line that lands, with the reason", () => {
  const found = run("tempo: 130%\n\nA jab -> B slip in");
  expect(found).toMatchObject({ kind: "refuted", plies: 1, row: 3 });
  if (found.kind !== "refuted") return;
  expect(found.line).toMatch(/^A jab, [\w ]+ -> B slip in, /);
  expect(found.reason).toMatch(/in time|meets it/);
  // The line is notation: it reads, and its last feed is the one that lands.
  const checked = checkFor(parse(`tempo: 130%\n\n${found.line}`), school);
  expect(checked.findings.map((f) => f.rule)).not.toContain("syntax");
  expect(checked.exchanges[1]!.feed?.text).toBe(found.lands);
});

test("a repair is an answer after which that ply no longer lands", () => {
  const found = run("tempo: 60%\n\nA lead hook -> B weave\nA jab -> B duck");
  const repair = found.kind === "refuted" ? found.repair : null;
  expect(repair).not.toBeNull();
  const again = run(`tempo: 60%\n\nA lead hook -> B ${repair}`, { plies: 1 });
  expect(again.kind).toBe("holds");
});

test("the same seed gives the same search", () => {
  const text = "tempo: 70%\n\nA jab -> B duck\nA lead hook -> B weave";
  expect(run(text, { seed: 7 })).toEqual(run(text, { seed: 7 }));
});

test("the node budget and cancelling end it with what is known", () => {
  const text = Array.from(
    { length: 12 },
    (_, i) => `A ${["jab", "cross", "lead hook"][i % 3]} -> B ${["slip out", "catch", "cover", "lean back"][i % 4]}`,
  ).join("\n");
  const few = run(text, { nodes: 20 });
  expect(few).toMatchObject({ kind: "stopped", why: "nodes" });
  if (few.kind === "stopped") expect(few.nodes).toBeLessThanOrEqual(40);
  let asked = 0;
  expect(run(text, { cancelled: () => ++asked > 5 })).toMatchObject({ kind: "stopped", why: "cancelled" });
});

test("nothing to go on from is said", () => {
  expect(run("A jab -> B knee shield")).toMatchObject({ kind: "nothing" });
  expect(run("kind: sensitivity\n\nA push to centre -> B sink")).toMatchObject({ kind: "nothing" });
});

test("it never aims at forbidden targets", () => {
  const found = run("tempo: 130%\n\nA jab -> B slip in");
  expect(found.kind).toBe("refuted");
  expect(JSON.stringify(found)).not.toMatch(/eyes|throat|groin|to knee/);
});
