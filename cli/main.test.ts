import { spawnSync } from "node:child_process";
import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

const run = (args: string[], input = "") => spawnSync("bin/vicissor", args, { input, encoding: "utf8" });

let dir: string;
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), "vicissor-"));
  writeFileSync(join(dir, "good.vics"), "tempo: 40%\n\nA jab -> B slip out, cross\n");
  writeFileSync(join(dir, "bad.vics"), "title: x\n\nA lead hook -> B slip out\n");
});
afterAll(() => rmSync(dir, { recursive: true }));

test("check says file, row, column, severity, rule and message; exit 0 without and 1 with errors", () => {
  const good = run(["check", join(dir, "good.vics")]);
  expect(good.status).toBe(0);
  expect(good.stdout).toMatch(/^Sound\. 1 exchange, load \d\.\d, works (?:up to \d+%|at full speed)\.\n! “Stop” ends/);
  const bad = run(["check", join(dir, "bad.vics")]);
  expect(bad.status).toBe(1);
  expect(bad.stdout).toMatch(/bad\.vics:3:18 error line-open The lead hook still lands on the head/);
  expect(bad.stdout).toMatch(/^Broken\. 1 exchange, load \d\.\d\. Mend exchange 1\.$/m);
});
test("check names what to see to: mats, blades, gear, the tap, the word that ends it", () => {
  const cautions = (text: string) =>
    JSON.parse(run(["check", "--json", "-"], text).stdout).cautions.map(({ about }: { about: string }) => about);
  expect(cautions("A jab -> B parry")).toEqual(["stop"]);
  expect(cautions("A: wears mitts\n\nA jab -> B parry")).toEqual(["gear", "stop"]);
  expect(cautions("A double leg -> B sprawl")).toEqual(["mats", "gear", "stop"]);
  expect(cautions("A grab on lead wrist -> B thumb release")).toEqual(["tap", "stop"]);
  expect(cautions("A: holds training knife\n\nA thrust mid -> B step off, leave")).toEqual(["blades", "gear", "stop"]);
});
test("several files with --json give one object a line, each with its file", () => {
  const { stdout, status } = run(["check", "--json", join(dir, "good.vics"), join(dir, "bad.vics")]);
  expect(status).toBe(1);
  const objects = stdout
    .trim()
    .split("\n")
    .map((line) => JSON.parse(line));
  expect(objects.map((o) => o.verdict)).toEqual(["sound", "broken"]);
  expect(objects[1].file).toMatch(/bad\.vics$/);
});
test("standard input is -, and format writes the one layout", () => {
  expect(run(["format", "-"], "a jab→b slip out ,cross").stdout).toBe("A jab -> B slip out, cross\n");
  expect(JSON.parse(run(["check", "--json", "-"], "A jab -> B slip out").stdout).verdict).toBe("sound");
});
test.each([
  [["check", "/no/such/file.vics"], /cannot read .*ENOENT/],
  [["check"], /missing required argument .files/],
  [["dance", "x"], /unknown command .dance/],
  [["check", "--loud", "x"], /unknown option .--loud/],
])("%j cannot run: exit 2 and one clear line", (args, words) => {
  const { status, stderr } = run(args);
  expect(status).toBe(2);
  expect(stderr).toMatch(words);
  expect(stderr).not.toMatch(/at .*\.mjs/);
});

test("answers ranks what works, for the people in a file's header", () => {
  const { status, stdout } = run(["answers", "A lead hook", "--json"]);
  expect(status).toBe(0);
  const { feed, answers } = JSON.parse(stdout);
  expect(feed).toBe("A lead hook");
  expect(answers.map((a: { answer: string }) => a.answer)).toEqual(expect.arrayContaining(["cover", "weave"]));
  expect(answers[0]).toMatchObject({ verdict: "valid" });
  expect(run(["answers", "A overhead", "demo/drills/roof-and-step.vics"]).stdout).toMatch(/roof block/);
  expect(run(["answers", "A jabb"]).stderr).toMatch(/Did you mean jab/);
});

test("refute says how far a drill holds, and exits 1 with the line that lands", () => {
  expect(run(["refute", join(dir, "good.vics")])).toMatchObject({
    status: 0,
    stdout: expect.stringMatching(/holds: whatever .* 3 actions deep/),
  });
  const fast = run(["refute", "--json", "-"], "tempo: 130%\n\nA jab -> B slip in\n");
  expect(fast.status).toBe(1);
  expect(JSON.parse(fast.stdout)).toMatchObject({ kind: "refuted", plies: 1 });
});

test("a school's settings come from a file, and a wrong file is explained", () => {
  writeFileSync(join(dir, "school.json"), JSON.stringify({ severity: { "inside-line": "error" } }));
  expect(run(["check", "--school", join(dir, "school.json"), "-"], "A jab -> B slip in").status).toBe(1);
  writeFileSync(join(dir, "wrong.json"), JSON.stringify({ moves: [{ id: "x", names: {} }] }));
  const wrong = run(["check", "--school", join(dir, "wrong.json"), "-"], "A jab -> B slip in");
  expect(wrong.status).toBe(2);
  expect(wrong.stderr).toMatch(/moves: x: /);
  expect(run(["refute", "--plies", "many", "-"], "A jab -> B slip").stderr).toMatch(
    /--plies <n>. argument .many. is invalid\. Write a whole number from 1/,
  );
});

test("calls: the same seed, the same round; fair shares; nothing to call is said", () => {
  const drill = "demo/drills/pads-by-name.vics";
  const round = (seed: string) => JSON.parse(run(["calls", "--json", "--seed", seed, "--count", "64", drill]).stdout);
  expect(round("4")).toEqual(round("4"));
  expect(round("4").items).not.toEqual(round("5").items);
  const times = round("4").shares.map((s: { times: number }) => s.times);
  expect(Math.max(...times) - Math.min(...times)).toBeLessThanOrEqual(4);
  expect(run(["calls", drill]).stdout).toMatch(/^ +0:04\.0 {2}(one|two|three|four)$/m);
  expect(run(["calls", "-"], "A jab -> B slip out").stderr).toMatch(/nothing to guess/);
});

test("ladder and vary: load rises, the same seed gives the same, what cannot be is said", () => {
  const drill = "demo/drills/push-and-turn.vics";
  const ladder = (seed: string) => JSON.parse(run(["ladder", "--json", "--rungs", "4", "--seed", seed, drill]).stdout);
  const loads = ladder("2").rungs.map((r: { load: { total: number } }) => r.load.total);
  expect([...loads].sort((a, b) => a - b)).toEqual(loads);
  expect(ladder("2")).toEqual(ladder("2"));
  expect(run(["ladder", "--goal", "random", "demo/drills/single-answers.vics"]).stdout).toMatch(
    /Feeder picks: jab(?:,| or) /,
  );
  expect(run(["ladder", "--goal", "moon", drill]).stderr).toMatch(/--goal is one of whole, quarter/);
  expect(run(["ladder", "-"], "A lead hook -> B slip out").stderr).toMatch(/Mend one row/);
  const changes = JSON.parse(run(["vary", "--json", drill]).stdout) as { operator: string; verdict: string }[];
  expect(changes.length).toBeGreaterThan(5);
  for (const c of changes) expect(c.verdict).not.toBe("broken");
  expect(run(["vary", drill]).stdout).toMatch(/Eyes closed/);
});

test("bridge: the second drill follows the first, or it says why it cannot", () => {
  writeFileSync(join(dir, "one.vics"), "A jab -> B step off\n");
  writeFileSync(join(dir, "two.vics"), "A cross -> B parry, cross\n");
  writeFileSync(join(dir, "stick.vics"), "A: holds stick 71 cm\n\nA forehand high -> B step back\n");
  const { status, stdout } = run(["bridge", "--json", join(dir, "one.vics"), join(dir, "two.vics")]);
  expect(status).toBe(0);
  const { ways, why } = JSON.parse(stdout);
  expect(why.join(" ")).toMatch(/first ends \d\.\d\d m apart|come back to guard|change feet/);
  expect(ways.length).toBeGreaterThan(0);
  for (const { rows, text } of ways) {
    for (const row of rows) expect(text).toContain(`  ${row}`);
    expect(JSON.parse(run(["check", "--json", "-"], text).stdout).verdict).not.toBe("broken");
  }
  expect(run(["bridge", join(dir, "one.vics")])).toMatchObject({
    status: 2,
    stderr: expect.stringMatching(/missing required argument .second/),
  });
  const unlike = run(["bridge", join(dir, "one.vics"), join(dir, "stick.vics")]);
  expect([unlike.status, unlike.stdout]).toEqual([2, ""]);
  expect(unlike.stderr).toMatch(/^vicissor: .*(hold|tool|same)/i);
});
test("flow: cycles over the moves that are named close, each of the length that is asked", () => {
  const head = "A: holds stick 71 cm\nB: holds stick 71 cm\n";
  writeFileSync(join(dir, "sticks.vics"), `${head}\nA forehand high <> B forehand high\n`);
  const moves = ["--moves", "forehand high, backhand low"];
  // As many counts as there are moves, where nothing is said.
  const { status, stdout } = run(["flow", "--json", ...moves, join(dir, "sticks.vics")]);
  expect(status).toBe(0);
  const found = JSON.parse(stdout);
  expect(found).toMatchObject({ whole: true });
  expect(found.cycles.length).toBeGreaterThan(0);
  for (const { rows, text } of found.cycles) {
    expect(rows).toHaveLength(2);
    expect(JSON.parse(run(["check", "--json", "-"], text).stdout).closure.closes).toBe(true);
  }
  const none = run(["flow", "--counts", "3", ...moves, join(dir, "sticks.vics")]);
  expect(none.status).toBe(1);
  expect(none.stdout).toMatch(/^No cycle of 3 counts closes with these moves\. These do: --counts 2/);
  expect(run(["flow"])).toMatchObject({ status: 2, stderr: expect.stringMatching(/--moves/) });
  expect(run(["flow", "--counts", "7", ...moves]).stderr).toMatch(/A cycle has 2, 3/);
});

describe("plan", () => {
  const people = () => {
    const file = join(dir, "people.csv");
    writeFileSync(
      file,
      "Name;Größe;Gewicht;minor\nAda;178;72;\nBo;171;68;\nCy;184;80;\nDe;165;60;\nEl;160;55;yes\nFi;158;52;ja\n",
    );
    return file;
  };
  test("one drill fills an evening with its ladder; each round has everybody, and the minutes add up", () => {
    const drill = "demo/drills/single-answers.vics";
    const { status, stdout } = run(["plan", "--people", people(), "--minutes", "75", "--json", drill]);
    expect(status).toBe(0);
    const { plan, rungs } = JSON.parse(stdout);
    expect(rungs.length).toBeGreaterThan(3);
    const minutes = plan.blocks.reduce((sum: number, block: { minutes: number }) => sum + block.minutes, 0);
    expect(minutes + plan.left).toBe(75);
    for (const { pairs, alone } of plan.rounds)
      expect(
        pairs.flatMap(({ a, b, c }: Record<string, string>) => [a, b, c].filter(Boolean)).length + alone.length,
      ).toBe(6);
  });
  test("says which columns it does not read, and who has no height or weight", () => {
    const file = join(dir, "gaps.csv");
    writeFileSync(file, "Name,Height,Colour\nAda,178,red\nBo,,blue\n");
    const { stdout } = run(["plan", "--people", file, "demo/drills/single-answers.vics"]);
    expect(stdout).toMatch(/! Not read: Colour\.\n! No height: Bo\. .*\n! No weight: nobody has one\./);
    expect(stdout).toMatch(/! No ages: everybody is planned as an adult\.$/m);
  });
  test("is read minute by minute; several drills are worked on from the easiest up", () => {
    const drills = ["demo/drills/single-answers.vics", "demo/drills/pads-by-name.vics"];
    const { stdout } = run(["plan", "--people", people(), ...drills]);
    expect(stdout).toMatch(/^Before you begin: .*\n0:00 {3}10 min {2}Warm-up: pulse and joints[^\n]*\n0:10/);
    expect(stdout).toMatch(/round 1, (?:left|right) in front: \w+ \+ \w+; /);
    expect(stdout).toMatch(/Drink, change gear, ask/);
  });
  test.each([
    [["plan", "demo/drills/single-answers.vics"], /required option .--people <csv>/],
    [["plan", "--people", "demo/drills/low-line.vics", "demo/drills/low-line.vics"], /no column “name”/],
  ])("%j says what is missing", (args, words) => {
    expect(run(args)).toMatchObject({ status: 2, stderr: expect.stringMatching(words) });
  });
});
