/** Lengths in the units that people use. */
import { centimetres } from "./lengths.ts";
import { parsePerson } from "./person.ts";

// 1 in = 2.54 cm (international yard and pound agreement of 1959); 5 ft 9 in = 175.26 cm.
test.each([
  ["71", 71],
  ["71 cm", 71],
  ["0.71 m", 71],
  ["28 in", 71.1],
  ['28"', 71.1],
  ["28 inches", 71.1],
  ["5 ft 9 in", 175.3],
  ["5'9\"", 175.3],
  ["6 ft", 182.9],
])("%s is %s cm", (text, cm) => expect(centimetres(text)).toBeCloseTo(cm, 1));
test("what is no length is none", () => {
  for (const text of ["", "tall", "1 mile", "5 9"]) expect(centimetres(text)).toBeNull();
});
test("persons take them, and the tools of the trade have their usual lengths", () => {
  const { person, faults } = parsePerson("height 5 ft 9 in, holds stick 28 in");
  expect(faults).toEqual([]);
  expect(person.height).toBeCloseTo(1.753, 6);
  expect(person.holds?.length).toBeCloseTo(0.711, 6);
  const held = (text: string) => parsePerson(`holds ${text}`).person.holds;
  expect([held("cane")?.kind, held("jo")?.length, held("baton")?.length]).toEqual(["stick", 1.28, 0.53]);
  expect(parsePerson("wears mitts right").person.wears).toEqual(["mitts"]);
});
