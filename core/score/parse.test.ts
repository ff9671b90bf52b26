import fc from "fast-check";
import { format } from "./format.ts";
import { MAX_FAULTS, MAX_TEXT } from "./limits.ts";
import { parse, ScoreReader } from "./parse.ts";
import type { Row, Score } from "./types.ts";
import { linesOf } from "./structure.ts";

/** What a score says, without places: what must survive formatting. */
function meaning(score: Score): unknown {
  const strip = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(strip);
    if (typeof value !== "object" || value === null)
      return typeof value === "string" ? value.replace(/[ \t\u00a0]+/g, " ").trim() : value;
    const rest = Object.entries(value).filter(
      ([key]) => key !== "from" && key !== "to" && key !== "found" && key !== "span",
    );
    return Object.fromEntries(rest.map(([key, inner]) => [key, strip(inner)]));
  };
  const rows = score.rows
    .filter((row: Row) => row.content.body.kind !== "blank")
    .map((row) => strip({ body: row.content.body, comment: row.content.comment }));
  return { rows, items: score.items.map((item) => item.kind) };
}

const name = fc.constantFrom(
  "jab",
  "cross",
  "slip out",
  "lead hook to body",
  "step in",
  "weave",
  "double leg",
  "~jab",
  "cross!",
  "jab @1/2",
  "push to right chest",
  'catch "elbow in"',
  "jab at any",
  "hold pad left facing in",
);
const beat = fc.array(name, { minLength: 1, maxLength: 3 }).map((parts) => parts.join(" + "));
const alternative = fc.array(beat, { minLength: 1, maxLength: 3 }).map((beats) => beats.join(", "));
const turn = (actor: string) =>
  fc.array(alternative, { minLength: 1, maxLength: 3 }).map((all) => `${actor} ${all.join(" | ")}`);
const line = fc.oneof(
  fc.tuple(turn("A"), turn("B")).map(([a, b]) => `${a} -> ${b}`),
  fc.tuple(turn("A"), turn("B"), turn("A")).map((t) => t.join("->")),
  fc.tuple(turn("A"), turn("any")).map(([a, b]) => `wrong: ${a} -> ${b}`),
  fc.tuple(turn("A"), turn("B")).map(([a, b]) => `form: Harbour form 3\n${a} -> "late" ${b}`),
  fc.constant("A R forehand high <> B R forehand high"),
  fc.constant("both change hands"),
);
const label = fc.constantFrom("one", "two", "high", "level", "low line");
const block = fc.oneof(
  fc
    .tuple(
      fc.integer({ min: 1, max: 12 }),
      fc.constantFrom("", " swap", " each side", " alternate on count", " swap on count"),
      fc.array(line, { minLength: 1, maxLength: 3 }),
    )
    .map(([n, how, lines]) => `loop x${n}${how}:\n${lines.join("\n")}\nend`),
  fc
    .uniqueArray(fc.tuple(label, line), { minLength: 1, maxLength: 3, selector: ([l]) => l })
    .map((lines) => `choose A:\n${lines.map(([l, t]) => `${l}: ${t}`).join("\n")}\nend`),
  fc.array(line, { minLength: 1, maxLength: 2 }).map((lines) => `carry:\n${lines.join("\n")}\n`),
);
const scoreText = fc
  .tuple(
    fc.constantFrom("", "title: Any # note\nkind: flow\n", "A: lead right, holds stick 71 cm\nrules B: no steps\n"),
    fc.array(fc.oneof(line, block, fc.constant("section Part one"), fc.constant("# a remark"), fc.constant("")), {
      minLength: 1,
      maxLength: 6,
    }),
  )
  .map(([header, rows]) => `${header}\n${rows.join("\n")}\n`);

describe("format", () => {
  test("is stable and loses nothing but layout, for generated scores", () => {
    fc.assert(
      fc.property(scoreText, (text) => {
        const score = parse(text);
        const once = format(score);
        expect(format(parse(once))).toBe(once);
        expect(meaning(parse(once))).toEqual(meaning(score));
      }),
      { numRuns: 400 },
    );
  });

  test("is stable for any text at all", () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 160 }), (text) => {
        const once = format(parse(text));
        expect(format(parse(once))).toBe(once);
      }),
      { numRuns: 400 },
    );
  });

  test("writes one layout", () => {
    const text = "TITLE:   Quay\n\n\n\nA jab→B slip out ,cross   # why\nloop   x3 :\nA jab>B catch\nend\n";
    expect(format(parse(text))).toBe(
      "TITLE: Quay\n\nA jab -> B slip out, cross  # why\nloop x3:\n  A jab -> B catch\nend\n",
    );
  });
});

describe("rows", () => {
  const kinds = (text: string) => parse(text).rows.map((row) => row.content.body.kind);
  test("what stands first decides what a row is", () => {
    expect(kinds("title: a\nA: lead left\nA jab -> B slip\nsection X\nloop x2:\nend\n# c\n")).toEqual([
      "header",
      "header",
      "play",
      "section",
      "block",
      "end",
      "comment",
      "blank",
    ]);
  });
  test("a header word is a label once play has begun", () => {
    const score = parse("choose A:\nlevel: A jab -> B slip\nfocus: A cross -> B catch\nend");
    expect(score.rows[1]!.content.body).toMatchObject({ kind: "play", label: { text: "level" } });
    expect(score.faults).toEqual([]);
  });
  test("a colon, an arrow and a plus in a header are text", () => {
    expect(parse("title: One -> two + three; four").rows[0]!.content.body).toMatchObject({
      value: { text: "One -> two + three; four" },
    });
  });
  test("a comment starts at the start of a row or after a blank, never inside braces", () => {
    const score = parse("A strike {1..3} -> B block {#}, counter {#} # said\n#whole row");
    expect(score.rows[0]!.content.comment).toBe("# said");
    expect(score.rows[1]!.content.comment).toBe("#whole row");
    expect(score.faults).toEqual([]);
  });
  test("several lines on one row share its label", () => {
    const lines = [...linesOf(parse("choose A:\none: A jab -> B slip; A cross -> B catch\nend").items)];
    expect(lines.map((l) => l.label)).toEqual(["one", "one"]);
  });
  test("actors are read without regard to case, and both", () => {
    const turns = [...linesOf(parse("a jab -> b slip\nboth step left").items)].flatMap((l) =>
      l.line.turns.map((t) => t.actor),
    );
    expect(turns).toEqual(["A", "B", "both"]);
  });
});

describe("blocks", () => {
  test("end at a blank row, or at end when there is one; nest when closed with end", () => {
    const shape = (text: string) =>
      parse(text).items.map((i) =>
        i.kind === "block" ? `${i.head.type}(${i.items.map((x) => x.kind).join()})` : i.kind,
      );
    expect(shape("loop x2:\nA jab -> B slip\n\nA cross -> B slip")).toEqual(["loop(line)", "line"]);
    expect(shape("loop x2:\nA jab -> B slip\n\nA cross -> B slip\nend")).toEqual(["loop(line,line)"]);
    expect(shape("loop x2:\nchoose A:\none: A jab -> B slip\nend\nA cross -> B slip\nend\nA jab -> B catch")).toEqual([
      "loop(block,line)",
      "line",
    ]);
  });
  test.each([
    ["end\n", "stray-end"],
    ["loop x2:\n\n", "empty-block"],
    ["A jab -> B slip\none: A jab -> B slip", "label-outside"],
    ["choose A:\none: A jab -> B slip\nONE: A cross -> B slip\nend", "label-twice"],
    ["A jab -> B slip\nB: lead left", "late-header"],
    ["loop x10000:\nA jab -> B slip", "loop-count"],
    ["loop zebra:\nA jab -> B slip", "block-head"],
    ["A jab <> B jab -> A cross", "meet-shape"],
    ["A jab -> -> B slip", "missing"],
    ["A jab (twice) -> B slip", "junk"],
    ["section\nA jab -> B slip", "section-name"],
    ["A jab -> B slip | A cross", "alternative-actor"],
  ])("%j is said as %s", (text, code) => {
    expect(parse(text).faults.map((f) => f.fault.code)).toContain(code);
  });
});

describe("bad input", () => {
  test("line ends, tabs, byte order marks and emoji do not matter", () => {
    const plain = meaning(parse("title: x\nA jab -> B slip\n"));
    expect(meaning(parse("\ufefftitle: x\r\nA\tjab -> B  slip\r\n"))).toEqual(plain);
    expect(parse("A 🥊 -> B slip").faults).toEqual([]);
  });
  test.each([
    ["a megabyte of arrows", "->".repeat(500_000)],
    ["a novel", "It was a dark night; the sea, as ever, spoke.\n".repeat(20_000)],
    ["binary", Array.from({ length: 60_000 }, (_, i) => String.fromCharCode((i * 7919) % 256)).join("")],
    ["one endless word", "a".repeat(900_000)],
    ["nothing but braces", "{".repeat(100_000)],
  ])("%s is read within its budget", (_, text) => {
    const start = performance.now();
    const score = parse(text);
    expect(performance.now() - start).toBeLessThan(4000);
    expect(score.faults.length).toBeLessThanOrEqual(MAX_FAULTS + 3);
    expect(score.faults.length).toBeGreaterThan(0);
  });
  test("what is cut off is said", () => {
    expect(parse("A jab -> B slip\n".repeat(20_000)).faults[0]?.fault).toMatchObject({ code: "too-long" });
    expect(parse("x".repeat(MAX_TEXT)).faults.map((f) => f.fault.code)).not.toContain("too-long");
  });
});

describe("reading again after an edit", () => {
  test("gives the same as reading afresh", () => {
    fc.assert(
      fc.property(
        scoreText,
        fc.nat(),
        fc.nat(20),
        fc.constantFrom("", "x", "\n", ", cross", " -> ", "loop x2:\n", "#"),
        (text, at, cut, insert) => {
          const reader = new ScoreReader();
          reader.read(text);
          const place = text.length === 0 ? 0 : at % text.length;
          const next = text.slice(0, place) + insert + text.slice(place + cut);
          expect(meaning(reader.read(next))).toEqual(meaning(parse(next)));
        },
      ),
      { numRuns: 400 },
    );
  });
  test("rows that did not change are the same objects", () => {
    const reader = new ScoreReader();
    const before = reader.read("title: a\nA jab -> B slip\nA cross -> B catch");
    const after = reader.read("title: a\nA jab -> B slip out\nA cross -> B catch");
    expect(after.rows[2]!.content).toBe(before.rows[2]!.content);
    expect(after.rows[1]!.content).not.toBe(before.rows[1]!.content);
  });
});
