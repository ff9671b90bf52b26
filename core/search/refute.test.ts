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

test("a repair is another answer, sound in the row, after which nothing lands as deep", () => {
  const found = run("tempo: 50%\n\nA jab -> B slip out, cross");
  if (found.kind !== "refuted") throw new Error(found.kind);
  expect(found.repair).toBe("step back, step in + cross");
  expect(run(`tempo: 50%\n\nA jab -> B ${found.repair}`, { plies: found.plies }).kind).toBe("holds");
});

test("the node budget and cancelling end it with what is known", () => {
  const rows = ["A jab -> B slip out", "A cross -> B catch", "A lead hook -> B cover", "A jab -> B lean back"];
  const text = `tempo: 30%\n\n${rows.join("\n")}`;
  const few = run(text, { nodes: 20 });
  expect(few).toMatchObject({ kind: "stopped", why: "nodes" });
  if (few.kind === "stopped") expect(few.nodes).toBeLessThanOrEqual(40);
  let asked = 0;
  expect(run(text, { cancelled: () => ++asked > 5 })).toMatchObject({ kind: "stopped", why: "cancelled" });
});

test("what does not hold is mended first, and alone there is nobody to break it", () => {
  expect(run("A jab -> B knee shield")).toMatchObject({
    kind: "nothing",
    reason: expect.stringMatching(/^Mend exchange 1 first: /),
  });
  expect(run("kind: solo\n\nA jab, cross")).toMatchObject({
    kind: "nothing",
    reason: expect.stringMatching(/^Nobody feeds where people train alone/),
  });
});

describe("a good feeder of that art", () => {
  const linesOf = (text: string): string => {
    const found = run(text);
    if (found.kind !== "refuted") throw new Error(found.kind);
    return found.line;
  };

  test("kicks only where the drill has kicks", () => {
    const fast = (fed: string, range: string) => linesOf(`tempo: 130%\nrange: ${range}\n\n${fed}`);
    expect(fast("A jab -> B catch\nA cross -> B slip out", "punch")).not.toMatch(/kick|knee/);
    expect(run("tempo: 40%\nrange: kick\n\nA rear round kick to leg -> B shin check, cross").kind).toBe("holds");
  });

  test("with a stick the same stick comes back along another line", () => {
    const sticks = "tempo: 60%\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n";
    expect(linesOf(`${sticks}A overhead -> B roof block`)).toMatch(/^A overhead, (backhand|forehand|thrust) \w+ -> /);
    expect(linesOf(`${sticks}A forehand high -> B block left high`)).toMatch(/^A forehand high, backhand \w+ -> /);
  });

  test("a cycle is broken at a count with another stroke", () => {
    const cycle =
      "kind: flow\ntempo: 70%\nA: holds stick 71 cm\nB: holds stick 71 cm\n\nloop x8:\n  A forehand high <> B forehand high\n  A backhand low <> B backhand low\nend";
    expect(linesOf(cycle)).not.toMatch(/^A forehand high/);
  });

  test("pushes go on as pushes, by touch, and hold at walking pace", () => {
    const pushed =
      "kind: sensitivity\nrules B: no steps, no resisting\ntempo: 30%\n\nA push to right chest -> B turn right";
    expect(run(pushed)).toMatchObject({ kind: "holds" });
  });

  test("what is thrown obeys the check: nobody jabs out of a spin that is not recovered", () => {
    expect(run("tempo: 120%\n\nA rear spinning backfist -> B duck, cross")).toMatchObject({ kind: "holds" });
  });
});

test("it never aims at forbidden targets", () => {
  const found = run("tempo: 130%\n\nA jab -> B slip in");
  expect(found.kind).toBe("refuted");
  expect(JSON.stringify(found)).not.toMatch(/eyes|throat|groin|to knee/);
});
