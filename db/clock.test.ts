/** One clock for a school: the same day and the same hours whatever zone the servers are in, against luxon as a reference. */
import { randomUUID } from "node:crypto";
import { DateTime } from "luxon";
import { isOver } from "#core/class/hours.ts";
import { setClock } from "#server/school/save-settings.ts";
import { todayOf } from "#server/school/school-of.ts";
import { createClass, getClass, getTonight } from "./classes.ts";
import { closePool, db, transaction } from "./pool.ts";
import { newSchool } from "./testing.ts";
import type { Scope } from "./scope.ts";

const SCHOOLS = ["America/New_York", "Europe/Lisbon", "Australia/Adelaide"];
const SERVERS = ["Pacific/Kiritimati", "America/Los_Angeles", "UTC"];
const OWN = process.env.TZ;

afterAll(async () => {
  process.env.TZ = OWN;
  await closePool();
});

async function schoolIn(zone: string): Promise<Scope> {
  const scope = await newSchool();
  expect(await setClock(scope, zone)).toEqual({ kind: "set" });
  return scope;
}

test.each(SCHOOLS)("a class in %s begins when its clock says, on both changes of the clock", async (zone) => {
  const scope = await schoolIn(zone);
  const days = ["2026-03-08", "2026-03-29", "2026-04-05", "2026-10-04", "2026-10-25", "2026-11-01", "2026-12-31"];
  for (const held_on of days)
    for (const starts_at of ["00:30", "04:15", "19:00", "23:45"]) {
      const id = randomUUID();
      await createClass(db, scope, { id, held_on, starts_at, title: "E", minutes: 60 });
      const wanted = DateTime.fromISO(`${held_on}T${starts_at}`, { zone }).toMillis();
      expect((await getClass(db, scope, id))!.begins).toBe(wanted);
    }
});

test.each(SERVERS)("with servers in %s today is the school's day, in the program and in SQL", async (server) => {
  for (const zone of SCHOOLS) {
    const scope = await schoolIn(zone);
    process.env.TZ = server;
    const days = await transaction(async (tx) => {
      await tx.query(`select set_config('TimeZone', $1, true)`, [server]);
      return tx.query<{ day: string; begins: number }>(
        `select school_today($1) as day,
           (extract(epoch from class_begins($1, '2026-11-25', '22:00')) * 1000)::float8 as begins`,
        [scope.schoolId],
      );
    });
    const wanted = DateTime.now().setZone(zone).toISODate();
    expect([days[0]!.day, await todayOf(scope)]).toEqual([wanted, wanted]);
    expect(days[0]!.begins).toBe(DateTime.fromISO("2026-11-25T22:00", { zone }).toMillis());
  }
});

test.each(SCHOOLS)("an evening in %s that goes past midnight is tonight's, and not over", async (zone) => {
  const scope = await schoolIn(zone);
  const began = DateTime.now().setZone(zone).minus({ hours: 3 });
  const lesson = (at: DateTime, title: string) =>
    createClass(db, scope, {
      ...{ id: randomUUID(), title, minutes: 90 },
      ...{ held_on: at.toISODate()!, starts_at: at.toFormat("HH:mm:ss") },
    });
  await lesson(began, "Three hours ago");
  await lesson(began.plus({ days: 1 }), "Tomorrow");
  await lesson(began.minus({ days: 1 }), "Yesterday");
  const tonight = (await getTonight(db, scope))!;
  expect(tonight.title).toBe("Three hours ago");
  expect(isOver(tonight, Date.now())).toBe(false);
});

test("a zone that one of the two does not know is refused in words, and nothing changes", async () => {
  const scope = await schoolIn("Europe/Lisbon");
  for (const zone of ["Mars/Olympus", "", "posix/Europe/Lisbon"])
    expect(await setClock(scope, zone)).toMatchObject({ kind: "refused" });
  expect(await todayOf(scope)).toBe(DateTime.now().setZone("Europe/Lisbon").toISODate());
});
