/**
 * An evening from every drill of the demo club, for classes of several sizes: what is said to be done is done. The points
 * are those by which an instructor reads a plan: common practice, no source.
 */
import { readdirSync, readFileSync } from "node:fs";
import { todays } from "../base/samples-testing.ts";
import { defaultSchool } from "../policy/school.ts";
import { eveningLadder } from "./evening-ladder.ts";
import { GEAR_KINDS } from "./gear.ts";
import type { PlanPerson } from "./plan.ts";
import { rolesIn } from "./roles.ts";
import { goodPlan, planOf, someone } from "./testing.ts";
import { CLOCK, total, workMinutes } from "./timetable.ts";

const SIZES = [4, 9, 13, 15, 24, 31];
const FOLDER = "demo/drills";
const drills = readdirSync(FOLDER).map(
  (file) => [file.replace(".vics", ""), readFileSync(`${FOLDER}/${file}`, "utf8")] as const,
);
const gear = Object.fromEntries(GEAR_KINDS.map(({ id }) => [id, 8]));
const people = (count: number): PlanPerson[] =>
  Array.from({ length: count }, (_, i) =>
    someone(`p${String(i).padStart(2, "0")}`, {
      height_cm: 160 + ((i * 7) % 30),
      level: 1 + (i % 5),
      lead: i % 4 ? "left" : "right",
    }),
  );

describe.each(drills)("an evening from %s", (_name, text) => {
  const ladder = eveningLadder(text, defaultSchool());
  if (!ladder.ok) throw new Error(ladder.message);
  // Whoever works alone has no partner to be given.
  const isSolo = /^kind: solo$/m.test(text);
  test.each(todays(SIZES, 3))("%i people: full, honest and fair", (size) => {
    const all = people(size);
    const plan = goodPlan(planOf({ people: all, rungs: ladder.rungs, gear, minutes: 90 }));
    expect(total(plan.blocks)).toBeLessThanOrEqual(90);
    expect(plan.left).toBeLessThanOrEqual(5);
    for (const block of plan.blocks.filter(({ rung }) => rung !== null)) {
      expect(block.minutes - workMinutes(block.rounds, CLOCK)).toBeLessThanOrEqual(4);
      expect(plan.rounds.filter((round) => round.block === block.id)).toHaveLength(block.rounds);
    }
    for (const { pairs, alone } of plan.rounds) {
      const placed = pairs.flatMap(({ a, b, c }) => (c ? [a, b, c] : [a, b])).concat(alone.map(({ id }) => id));
      expect([...placed].sort()).toEqual(all.map(({ id }) => id));
      for (const { why } of alone) expect(why).not.toBe("");
    }
    // In a trio the third of two rounds with pads may not hold yet: all others are in either role, on either side.
    const hasPads = ladder.rungs.some((rung) => rolesIn(rung.text).pads);
    for (const share of plan.shares) {
      if (!isSolo) expect(share.working).toBeGreaterThan(0);
      expect(Math.min(share.left, share.right)).toBeGreaterThan(0);
      if (!hasPads || size % 2 === 0) expect(Math.min(share.feeding, share.answering)).toBeGreaterThan(0);
    }
  });
});
