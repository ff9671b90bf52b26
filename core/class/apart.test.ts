/** Distances as people measure them: common practice, no source. */
import { metres } from "../base/units.ts";
import { parsePerson } from "../score/person.ts";
import { apartInWords } from "./apart.ts";

const person = (text = "") => parsePerson(text).person;
const said = (at: number, from = person(), to = person()) => apartInWords(at, from, to);

test("partners for striking stand so that the straight lead hand does not reach without a step", () => {
  expect(said(0.86)).toBe("fist to shoulder");
  expect(said(1.14)).toBe("fist to shoulder plus half a step");
  expect(said(1.46)).toBe("fist to shoulder and a step");
  expect(said(2.05)).toBe("fist to shoulder and 2 steps");
});
test("closer than a straight arm the bend of the elbow says it", () => {
  expect(said(0.75)).toBe("fist to shoulder, arm half bent");
  expect(said(0.6)).toBe("fist to shoulder, elbow at the ribs");
  expect(said(0.3)).toBe("chest to chest");
});
test("gloves and weapons are named, and a longer weapon measures further", () => {
  expect(said(1.14, person("wears gloves"))).toBe("glove to shoulder plus half a step");
  const stick = person("holds stick 71 cm");
  expect(said(1.46, stick)).toBe("tip of the stick to shoulder");
  expect(said(1.8, stick)).toBe("tip of the stick to shoulder plus half a step");
});
test("who is short stands further out for the same distance", () => {
  const short = { ...person(), height: metres(1.45) };
  expect(said(0.86, short, short)).toBe("fist to shoulder plus half a step");
});
