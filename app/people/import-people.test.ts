/** What is shown of a row before it is saved: all that will be kept of somebody. */
import { readPeople } from "#core/people/table.ts";
import { personLine } from "./import-people.tsx";

const line = (cells: Record<string, string>) => personLine(readPeople([cells], [])[0]!.person!);

test("nothing that is read is kept back", () => {
  expect(
    line({
      name: "Ida Weiß",
      "height cm": "168",
      "reach cm": "170",
      "mass kg": "61,5",
      lead: "right",
      hand: "left",
      minor: "yes",
      "level feeder": "4",
      limits: "no falls; left knee",
      "limits until": "2027-01-31",
      agreed: "shoulders only",
    }),
  ).toBe(
    "Ida Weiß, 168 cm, reach 170 cm, 61.5 kg, right lead, left handed, minor, feeder 4, not: no falls, left knee, until 2027-01-31, agreed: shoulders only",
  );
});

test("what was not said is not shown", () => {
  expect(line({ name: "Odo" })).toBe("Odo, left lead, right handed, of age? not said");
});
