/** Who is found in the list of people, and in which order they stand. */
import { peopleListed, USUAL } from "./people-list.ts";

const student = (name: string, more: object) => ({
  ...{ name, height_cm: 175, mass_kg: 70, levels: {}, limits: [], agreed: "" },
  ...more,
});
const people = [
  student("Odo", { height_cm: 182, mass_kg: null, levels: { feeder: 2 }, limits: ["no falls"] }),
  student("Åsa", { height_cm: null, mass_kg: 61, levels: {}, limits: [], agreed: "stops at seven" }),
  student("Edda", { height_cm: 171, mass_kg: null, levels: { feeder: 5 }, limits: [] }),
];
const names = (asked: Partial<typeof USUAL>) => peopleListed(people, { ...USUAL, ...asked }).map(({ name }) => name);

test("by name as people look for it, and the other way round", () => {
  expect(names({})).toEqual(["Åsa", "Edda", "Odo"]);
  expect(names({ down: "yes" })).toEqual(["Odo", "Edda", "Åsa"]);
});
test("by height, mass and level; who has none stands last, and equals stand by name", () => {
  expect(names({ sort: "height" })).toEqual(["Edda", "Odo", "Åsa"]);
  expect(names({ sort: "mass" })).toEqual(["Åsa", "Edda", "Odo"]);
  expect(names({ sort: "level" })).toEqual(["Edda", "Odo", "Åsa"]);
  expect(names({ sort: "nonsense" })).toEqual(["Åsa", "Edda", "Odo"]);
});
test("words are looked for in names, limits and agreements", () => {
  expect(names({ q: " FALLS " })).toEqual(["Odo"]);
  expect(names({ q: "seven" })).toEqual(["Åsa"]);
  expect(names({ q: "nobody" })).toEqual([]);
});
