import { readHeader } from "./header.ts";
import { parse } from "./parse.ts";
import { parsePerson } from "./person.ts";

const header = (text: string) => readHeader(parse(`${text}\n\nA jab -> B slip`));

describe("header", () => {
  test("defaults", () => {
    const { header: h, faults } = header("");
    expect(faults).toEqual([]);
    expect(h).toMatchObject({
      kind: "feeder",
      tempo: 0.5,
      contact: "light",
      range: null,
      mats: null,
      actors: ["A", "B"],
    });
    expect(h.people.A).toMatchObject({ lead: "left", hand: "right", height: 1.75, holds: null, wears: [] });
  });
  test("reads what is written", () => {
    const { header: h } = header(
      "kind: Flow\ntempo: 70 %\nrange: 1.4 m\ncontact: none\nmats: yes\nrules B: no hands,  no   steps\nformation: triangle 2.5 m",
    );
    expect(h).toMatchObject({
      kind: "flow",
      tempo: 0.7,
      range: { metres: 1.4 },
      contact: "none",
      mats: true,
      formation: { name: "triangle", sideMetres: 2.5 },
    });
    expect([...h.rules.B]).toEqual(["no hands", "no steps"]);
    expect(h.actors).toEqual(["A", "B", "C"]);
  });
  test.each([
    ["tempo: fast", "tempo"],
    ["tempo: 900%", "tempo"],
    ["range: 70 m", "range"],
    ["kind: dance", "header-value"],
    ["rules A: no fun", "own-rule"],
    ["colour: blue", "header-key"],
    ["A: height 17", "body-bounds"],
    ["A: reach 300", "body-bounds"],
    ["A: holds stick 71 cm, wears gloves", "hold-and-wear"],
    ["A: holds spoon", "held"],
    ["A: wears hat", "worn"],
    ["A: nimble", "person"],
  ])("%s is said as %s and the default stands", (text, code) => {
    const { header: h, faults } = header(text);
    expect(faults.map((f) => f.code)).toContain(code);
    expect(h.tempo).toBe(0.5);
    expect(h.people.A.height).toBe(1.75);
  });
});

describe("people", () => {
  test("a list after wears or holds goes on until a known attribute", () => {
    const { person, faults } = parsePerson("lead right, wears gloves, mouthguard, height 183, minor");
    expect(faults).toEqual([]);
    expect(person).toMatchObject({ lead: "right", wears: ["gloves", "mouthguard"], height: 1.83, minor: true });
  });
  test("lengths and counts of what is held", () => {
    // A stick of 28 inches is 71 cm: common practice, no source.
    expect(parsePerson("holds stick").person.holds).toEqual({ kind: "stick", length: 0.71, count: 1 });
    expect(parsePerson("holds two sticks 66 cm").person.holds).toEqual({ kind: "stick", length: 0.66, count: 2 });
    expect(parsePerson("holds training knife 28 cm").person.holds).toEqual({
      kind: "training knife",
      length: 0.28,
      count: 1,
    });
    expect(parsePerson("holds nothing").person.holds).toBeNull();
  });
  test("heights in metres are understood", () => {
    expect(parsePerson("height 1.81 m").person.height).toBeCloseTo(1.81);
  });
});
