import { numberingFaults } from "../policy/settings.ts";
import { CLOCK_SLOTS, moveNumber, placeNumber, removeNumber, slotOf } from "./clock-slots.ts";
import { numberingSets } from "./shipped.ts";

const sets = numberingSets.filter((s) => s.angles);

test("every line of every shipped set has its own place on the face", () => {
  expect(sets.length).toBeGreaterThan(3);
  for (const set of sets)
    for (const angle of set.angles!) expect([set.id, slotOf(angle)?.line]).toEqual([set.id, angle.line]);
  expect(new Set(CLOCK_SLOTS.map((s) => `${s.x.toFixed(2)},${s.y.toFixed(2)}`)).size).toBe(CLOCK_SLOTS.length);
});
test("left is left as the one who is attacked sees it, high is up", () => {
  const at = (key: string) => CLOCK_SLOTS.find((s) => s.key === key)!;
  expect(at("arc left high").x).toBeLessThan(0);
  expect(at("arc left high").y).toBeLessThan(0);
  expect(at("arc right low").x).toBeGreaterThan(0);
  expect(at("arc right low").y).toBeGreaterThan(0);
  expect(at("arc left mid")).toMatchObject({ x: -1 });
  expect(at("overhead middle high").y).toBe(-1);
});
test("numbers are put, moved and taken away, and the set stays one that can be saved", () => {
  const five = sets.find((s) => s.id === "five angles")!;
  const slot = CLOCK_SLOTS.find((s) => s.line === "overhead")!;
  const six = placeNumber(five, 5, slot);
  expect(six.angles!.map((a) => a.line)).toEqual(["arc", "arc", "arc", "arc", "thrust", "overhead"]);
  expect(placeNumber(five, 0, slot).angles).toHaveLength(5);
  expect(
    moveNumber(six, 5, -1)
      .angles!.map((a) => a.line)
      .slice(4),
  ).toEqual(["overhead", "thrust"]);
  expect(moveNumber(six, 0, -1)).toBe(six);
  expect(removeNumber(six, 5)).toEqual(five);
  for (const set of [six, placeNumber({ id: "own", name: "Own" }, 3, slot)]) expect(numberingFaults([set])).toEqual([]);
});
