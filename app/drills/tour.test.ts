/** The four steps for whoever is new lead to what the school has. */
import { stepsFor } from "./tour.tsx";
import { drillRow } from "#core/lists/testing.ts";
import type { DrillListRow } from "#core/lists/drill-list.ts";

const drill = (title: string, verdict: DrillListRow["verdict"], kind = "feeder") => drillRow(title, { verdict, kind });
const ways = (drills: readonly DrillListRow[]) => stepsFor(drills).map(({ to }) => to);

test("a broken drill is mended, a sound one grows", () => {
  const drills = [drill("flow", "sound", "flow"), drill("bad", "broken"), drill("good", "sound")];
  expect(ways(drills)).toEqual(["/drills/bad", "/drills/good/ladder", "/class", "/answers"]);
  expect(stepsFor(drills)[0]!.does).toBe("Mend “bad”");
});

test("an empty school begins with writing and with the notation", () => {
  expect(ways([])).toEqual(["/?new", "/help", "/class", "/answers"]);
});
