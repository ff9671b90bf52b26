import { metres } from "../base/units.ts";
import { check } from "./check.ts";
import { parse } from "../score/parse.ts";

const run = (text: string) => check(parse(text));
const rules = (text: string) => run(text).findings.map((f) => f.rule);
const first = (text: string) => run(text).exchanges[0]!;

describe("distance", () => {
  const distance = (text: string) => run(text).distance;
  test("is solved so that the first feed lands with its own step and not without", () => {
    const e = first("A jab -> B slip out");
    expect(e.blow!.step).toBeCloseTo(0.25, 6);
    expect(e.blow!.spare).toBeCloseTo(0.09, 6);
    expect(e.blow!.landsWithoutStep).toBe(false);
  });
  test("grows with the bodies and with the weapon", () => {
    expect(distance("A: height 190\n\nA jab -> B slip")).toBeGreaterThan(distance("A: height 160\n\nA jab -> B slip"));
    expect(distance("A: holds stick 71 cm\n\nA forehand high -> B step back")).toBeGreaterThan(
      distance("A jab -> B slip"),
    );
  });
  test("words stand in order, out beyond the longest tool", () => {
    const at = (word: string) => distance(`range: ${word}\n\nA jab -> B slip`);
    expect(at("clinch")).toBeCloseTo(0.5, 6);
    expect(at("clinch")).toBeLessThan(at("trap"));
    expect(at("trap")).toBeLessThan(at("punch"));
    expect(at("out")).toBeGreaterThan(at("kick") + 0.29);
  });
  test("a feed from striking range that needs no step is noted", () => {
    expect(rules("range: 0.95 m\n\nA jab -> B slip out")).toContain("no-step");
    expect(rules("A jab -> B slip out")).not.toContain("no-step");
  });
  test("the measures of the pair at hand come before the header", () => {
    const score = parse("A: height 160\n\nA jab -> B slip out");
    expect(check(score, undefined, { A: { height: metres(1.93) } }).distance).toBeGreaterThan(check(score).distance);
  });
});

describe("turns", () => {
  test("answers deal with feeds in order, attacks after that are returns", () => {
    const { exchanges } = run("A jab, cross -> B slap parry, slip out, lead hook -> A cover");
    expect(exchanges.map((e) => [e.feed?.move.name, e.answer.map((a) => a.move.name).join(), e.feeder])).toEqual([
      ["jab", "slap parry", "A"],
      ["cross", "slip", "A"],
      ["hook", "cover", "B"],
    ]);
    expect(exchanges[1]!.returns.map((r) => r.use.text)).toEqual(["lead hook"]);
  });
  test("a missing actor is the other one", () => {
    expect(first("A jab -> slip out").responder).toBe("B");
  });
  test("three people must be named", () => {
    expect(rules("formation: triangle 2 m\n\nA jab -> slip out")).toContain("syntax");
    const trio = run("formation: triangle 2 m\n\nA jab at C -> C slip out, cross at B -> B catch");
    expect(trio.exchanges.map((e) => [e.feeder, e.responder, e.verdict])).toEqual([
      ["A", "C", "valid"],
      ["C", "B", "valid"],
    ]);
  });
  test("alternatives are checked each by itself", () => {
    const { exchanges } = run("A jab -> B slip out | cover | catch, cross");
    expect(exchanges.map((e) => e.verdict)).toEqual(["valid", "invalid", "valid"]);
  });
  test("too many branches are cut, and that is said", () => {
    const many = `A jab -> B ${Array(10).fill("slip out").join(" | ")} -> A ${Array(10).fill("jab").join(" | ")}`;
    expect(run(many).findings.some((f) => /branches/.test(f.message))).toBe(true);
  });
  test("a feint needs no answer", () => {
    expect(rules("A ~jab, cross -> B slip out")).toEqual([]);
  });
  test("an unread feed makes an unread exchange, the rest is still checked", () => {
    const { exchanges } = run("A jabb -> B slip out\nA cross -> B slip out");
    expect(exchanges.map((e) => e.verdict)).toEqual(["unread", "valid"]);
    expect(exchanges[0]!.feedText).toBe("jabb");
  });
});

describe("state", () => {
  test("one hand does one thing in a beat", () => {
    expect(rules("A jab -> B parry rear + cross")).toContain("limb-busy");
    expect(rules("A jab -> B parry rear + jab")).not.toContain("limb-busy");
  });
  test("a pin lasts until it is broken", () => {
    expect(rules("A jab -> B pin on lead hand -> A jab -> B catch")).toContain("limb-pinned");
    expect(rules("A jab -> B pin on lead hand -> A strip, jab -> B catch")).not.toContain("limb-pinned");
  });
  test("the pinner's hand lets go when it does something new", () => {
    expect(rules("A jab -> B pin rear on lead hand, cross -> A jab -> B catch")).not.toContain("limb-pinned");
  });
  test("weight: a hook after a hook of the same side has nothing behind it", () => {
    expect(rules("A cross, lead hook -> B slip out, weave")).not.toContain("reload");
    expect(rules("A lead hook, lead hook -> B weave, weave")).toContain("reload");
  });
  test("the head is aimed at where it is: slipping to where it already is does nothing", () => {
    expect(run("A jab, jab -> B slip out, slip out").exchanges.map((e) => e.verdict)).toEqual(["valid", "invalid"]);
    expect(run("A jab, jab -> B slip out, slip in + jab").exchanges.map((e) => e.verdict)).toEqual(["valid", "valid"]);
  });
  test("who ducked comes up again before the next feed; who leaned cannot lean again", () => {
    expect(run("A lead hook, lead hook -> B weave, weave").exchanges.map((e) => e.verdict)).toEqual(["valid", "valid"]);
    expect(run("A jab, jab -> B duck, duck").exchanges.map((e) => e.verdict)).toEqual(["valid", "valid"]);
    expect(run("A jab, jab -> B lean back, lean back").exchanges.map((e) => e.verdict)).toEqual(["valid", "invalid"]);
  });
  test("over-turning needs a recovery", () => {
    expect(rules("A back kick, cross -> B step off, catch")).toContain("not-recovered");
    expect(rules("A back kick, recover, cross -> B step off, catch")).not.toContain("not-recovered");
  });
  test("each line starts from the frame; a carry goes on", () => {
    const plain = run("A jab -> B step back\nA jab -> B slip out");
    const carried = run("carry:\nA jab -> B step back\nboth step back\nA jab -> B slip out\nend");
    expect(plain.exchanges[1]!.verdict).toBe("valid");
    expect(carried.exchanges[1]!.verdict).toBe("invalid");
    expect(carried.findings.map((f) => f.rule)).toContain("out-of-reach");
  });
});

describe("loops", () => {
  const sticks = "kind: flow\nA: holds stick 71 cm\nB: holds stick 71 cm\n\n";
  test("close when both bodies are where the first count starts", () => {
    const weave = `${sticks}loop x8:\nA R forehand high <> B R forehand high\nA R backhand low <> B R backhand low`;
    expect(run(weave).closure).toMatchObject({ closes: true, differences: [] });
  });
  test("say item by item what differs", () => {
    const { closure, findings } = run(`${sticks}loop x8:\nA R forehand high <> B R forehand high\nboth change hands`);
    expect(closure?.closes).toBe(false);
    expect(closure?.differences.join()).toMatch(/A has the weapon in the other hand/);
    expect(findings.map((f) => f.rule)).toContain("loop-open");
  });
  test("a change of hands in each pass closes after two, where no hand is named", () => {
    const { closure, findings, verdict } = run(
      `${sticks}loop x8:\nA forehand high <> B forehand high\nboth change hands`,
    );
    expect(closure).toMatchObject({ closes: true, differences: [] });
    expect(verdict).toBe("sound");
    expect(findings.map((f) => f.message).join()).toMatch(/two bring you back: go on for an even number/);
  });
  test("steps that add up open a loop", () => {
    expect(run("loop x4:\nA jab -> B step back").closure?.differences.join()).toMatch(/cm more after each pass/);
    expect(run("loop x4:\nA jab -> B slap parry").closure?.closes).toBe(true);
  });
  test("a line of a choice may follow any other of it, and is checked from where that one ends", () => {
    const pinned = "loop x6:\nchoose A:\none: A jab -> B slap parry\ntwo: A cross -> B pin on lead hand\nend\nend";
    // From the frame and after “one” all is well; after “two” the jab comes with a hand that is held.
    expect(run("A jab -> B slap parry\nA cross -> B pin on lead hand").findings.map((f) => f.rule)).not.toContain(
      "limb-pinned",
    );
    expect(rules(pinned)).toContain("limb-pinned");
    expect(rules(pinned.replace("pin on lead hand", "slap parry"))).not.toContain("limb-pinned");
  });
  test("a change of hands in both of two passes of a swap is compared role for role", () => {
    expect(run("loop swap x4:\nA jab -> B slap parry, jab -> A slap parry").closure?.closes).toBe(true);
  });
});

describe("restrictions and safety", () => {
  test.each([
    ["rules B: no steps\n\nA jab -> B step back", "rule-broken"],
    ["rules B: no hands\n\nA jab -> B parry", "rule-broken"],
    ["rules B: no strikes\n\nA jab -> B slip out, cross", "rule-broken"],
    ["rules B: lead hand only\n\nA jab -> B parry rear", "rule-broken"],
    ["A jab to throat -> B catch", "unsafe-target"],
    ["A: holds knife 28 cm\n\nA slash forehand high -> B step back", "training-tool"],
    ["contact: full\n\nA jab -> B slip out", "gear-missing"],
    ["contact: medium\nB: minor\n\nA jab -> B slip out", "minor"],
    ["A: mass 95\nB: mass 55\n\nA double leg -> B sprawl", "weight-gap"],
  ])("%j has %s", (text, rule) => {
    expect(rules(text)).toContain(rule);
  });
  test("they never change the verdict of the geometry", () => {
    expect(first("A finger flick to eyes -> B slap parry").verdict).toBe("valid");
  });
});

describe("findings", () => {
  test("say what happens, why, and what would mend it", () => {
    const [finding] = run("A lead hook -> B slip out").findings;
    expect(finding).toMatchObject({ rule: "line-open", severity: "error", line: 1, column: 18 });
    expect(finding!.message).toMatch(/comes round: go under it/);
  });
  test("an empty drill teaches how to begin", () => {
    expect(run("title: x").findings[0]!.message).toMatch(/A jab -> B slip out/);
  });
});

test("follow-ups: outside the arm the other hand has to cross over, inside it is open", () => {
  const cross = (text: string) => first(text).followUps.find((f) => f.move === "cross")!;
  expect(cross("A jab -> B slip in").state).toBe("open");
  expect(cross("A jab -> B slip out").state).not.toBe("open");
  expect(cross("A jab -> B slip in").threat).toBeGreaterThan(cross("A jab -> B slip out").threat);
});

describe("ambiguous cues", () => {
  const choice = (one: string, two: string, tempo = "70%") =>
    rules(`tempo: ${tempo}\n\nchoose A:\n  one: ${one}\n  two: ${two}\nend`);
  test("two feeds of one hand that differ in height only look alike for too long", () => {
    expect(choice("A jab -> B slip out", "A jab to body -> B step back")).toContain("ambiguous-cue");
  });
  test("other hands, other paths or the same answer are no riddle", () => {
    expect(choice("A jab -> B slip out", "A cross -> B catch")).not.toContain("ambiguous-cue");
    expect(choice("A jab -> B slip out", "A lead hook -> B weave")).not.toContain("ambiguous-cue");
    expect(choice("A jab -> B step back", "A jab to body -> B step back")).not.toContain("ambiguous-cue");
  });
  test("slowly there is time to see it", () => {
    expect(choice("A jab -> B parry", "A jab to body -> B low parry", "20%")).not.toContain("ambiguous-cue");
  });
});

test("a feint is one more thing that may come: less time is left", () => {
  const ceiling = (text: string) => first(text).ceiling!;
  expect(ceiling("A ~lead hook, cross -> B slip out")).toBeLessThan(ceiling("A cross -> B slip out"));
});

test("where the head ends against a straight hand blow", () => {
  expect(first("A jab -> B slip out").ends).toBe("outside");
  expect(first("A jab -> B slip in").ends).toBe("inside");
  expect(first("A jab -> B catch").ends).toBe("on the line");
  expect(first("A jab -> B slap parry").ends).toBe("outside");
  expect(first("A lead hook -> B weave").ends).toBeNull();
});

test("the same rows read again give the same results, moved to where they stand", () => {
  const one = check(parse("A jab -> B slip in\nA cross -> B catch"));
  const two = check(parse("# a remark\n\nA jab -> B slip in\nA cross -> B catch"));
  expect(two.exchanges.map((e) => [e.row.index, e.verdict])).toEqual(
    one.exchanges.map((e) => [e.row.index + 2, e.verdict]),
  );
  expect(two.findings.map((f) => [f.line, f.rule])).toEqual(one.findings.map((f) => [f.line + 2, f.rule]));
});

test("two sticks: one blocks while the other strikes", () => {
  const two = "A: holds two sticks 66 cm\nB: holds two sticks 66 cm\n\n";
  expect(rules(`${two}A R forehand high -> B L block left high + R forehand high`)).not.toContain("limb-busy");
  expect(rules(`${two}A R forehand high -> B R block left high + R forehand high`)).toContain("limb-busy");
  expect(first(`${two}A L forehand high -> B R block right high`).verdict).toBe("valid");
});

test("a ceiling says what it rests on", () => {
  // Jab 250 ms with its step of 200 ms, slip 180 ms, simple reaction 190 ms: (450 - 180) / 190 = 1.42.
  const { contact, movement, reaction } = first("A jab -> B slip out").times!;
  expect([Math.round(contact), movement, reaction]).toEqual([450, 180, 190]);
  expect(first("A jab -> B slip out").ceiling).toBeCloseTo(1.42, 2);
});
