/** Tickets: once, in time, for whom they are; what comes with them is checked before anything is made. */
import { readLetters } from "./post.ts";
import { randomUUID } from "node:crypto";
import { accountByEmail, changeMember, insertAccount, listMembers, setMembership } from "#db/accounts.ts";
import { listLetters, sentLetter } from "#db/letters.ts";
import { closePool, db } from "#db/pool.ts";
import { insertEmptySchool } from "#db/school.ts";
import type { Scope } from "#db/scope.ts";
import { findSession } from "#db/sessions.ts";
import { listInvitations } from "#db/tickets.ts";
import { insertStudents, eraseStudent } from "#db/people.ts";
import { NOBODY } from "#core/people/testing.ts";
import { hashPassword } from "./password.ts";
import { hashOf, openSession, tokenIn } from "./session.ts";
import {
  invite,
  openTicket,
  sendPasswordLetter,
  signInAddress,
  tabletAddress,
  takeAtOnce,
  takeWithForm,
} from "./tickets.ts";

afterAll(closePool);

const PLACE = "address test";
const ORIGIN = "http://localhost:1";
const request = () => new Request(`${ORIGIN}/in/x`, { headers: { "user-agent": "Firefox/140 Linux" } });
const tokenOf = (address: string): string => /\/in\/([\w-]{43})/.exec(address)![1]!;
const form = (more: object) => ({ name: "Ann", email: "", school: "", password: "three slow feeds", ...more });

/** The session that headers open. */
const sessionOf = async (headers: Headers) => findSession(hashOf(tokenIn(headers.get("set-cookie"))!));

async function schoolWithOwner(): Promise<Scope & { email: string }> {
  const scope: Scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "owner" };
  const email = `${scope.accountId}@owner.example`;
  await insertEmptySchool(db, scope.schoolId, "Test school");
  await insertAccount(db, { id: scope.accountId, name: "Owner", email }, await hashPassword("four slow feeds"));
  await setMembership(db, { schoolId: scope.schoolId, accountId: scope.accountId, role: "owner", studentId: null });
  return { ...scope, email };
}
const letterTo = async (scope: Scope, email: string) =>
  (await readLetters(scope)).find(({ recipient }) => recipient === email)!;

test("an invitation makes an account once; of two who come at the same time one gets in", async () => {
  const scope = await schoolWithOwner();
  const email = `${randomUUID()}@new.example`;
  await invite(scope, { email, role: "assistant", studentId: null }, ORIGIN);
  expect(await listInvitations(scope)).toHaveLength(1);
  const ticket = (await openTicket(tokenOf((await letterTo(scope, email)).body)))!;
  await expect(takeWithForm(ticket, form({ password: "short" }), request(), PLACE)).rejects.toThrow(/at least 12/);
  expect(await accountByEmail(email)).toBeNull();
  const ends = await Promise.allSettled([1, 2].map(() => takeWithForm(ticket, form({}), request(), PLACE)));
  expect(ends.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
  expect((await listMembers(scope)).map(({ role }) => role).sort()).toEqual(["assistant", "owner"]);
  expect(await listInvitations(scope)).toEqual([]);
});

test("who has an account types its password, and wrong ones are counted", async () => {
  const [scope, other] = [await schoolWithOwner(), await schoolWithOwner()];
  await invite(scope, { email: other.email, role: "instructor", studentId: null }, ORIGIN);
  const ticket = (await openTicket(tokenOf((await letterTo(scope, other.email)).body)))!;
  for (let i = 0; i < 6; i++)
    await expect(takeWithForm(ticket, form({ password: `wrong guess ${i}` }), request(), PLACE)).rejects.toThrow();
  // Even the right one waits now.
  await expect(takeWithForm(ticket, form({ password: "four slow feeds" }), request(), PLACE)).rejects.toThrow(
    /too many/,
  );
  await db.query("delete from tries");
  const session = await sessionOf(await takeWithForm(ticket, form({ password: "four slow feeds" }), request(), PLACE));
  expect(session).toMatchObject({ schoolId: scope.schoolId, accountId: other.accountId, role: "instructor" });
});

test("a tablet sees one class, and is out when who let it in has left", async () => {
  const [scope, other] = [await schoolWithOwner(), await schoolWithOwner()];
  const boss = { ...other, schoolId: scope.schoolId };
  await setMembership(db, { schoolId: scope.schoolId, accountId: boss.accountId, role: "owner", studentId: null });
  const classId = randomUUID();
  await db.query(
    `insert into classes (school_id, id, held_on, title, minutes) values ($1, $2, school_today($1), 'E', 60)`,
    [scope.schoolId, classId],
  );
  const token = tokenOf(await tabletAddress(scope, classId, ORIGIN));
  const headers = await takeAtOnce((await openTicket(token))!, request());
  expect(await openTicket(token)).toBeNull();
  expect(await sessionOf(headers)).toMatchObject({ classId, accountId: scope.accountId });
  expect(await changeMember(boss, scope.accountId, null)).toBe("changed");
  expect(await sessionOf(headers)).toBeNull();
  expect(await changeMember(boss, boss.accountId, null)).toBe("last owner");
  expect(await changeMember(boss, boss.accountId, { role: "student", studentId: null })).toBe("last owner");
});

test("a new password signs other devices out; who is in two schools gets no letter into a post box", async () => {
  const [scope, second] = [await schoolWithOwner(), await schoolWithOwner()];
  const before = await takeAtOnce(
    (await openTicket(tokenOf(await signInAddress(scope.schoolId, scope.accountId, ORIGIN))))!,
    request(),
  );
  await sendPasswordLetter(scope.email, ORIGIN);
  const letter = await letterTo(scope, scope.email);
  const ticket = (await openTicket(tokenOf(letter.body)))!;
  const after = await takeWithForm(ticket, form({ password: "five slow feeds" }), request(), PLACE);
  expect([await sessionOf(before), (await sessionOf(after))?.accountId]).toEqual([null, scope.accountId]);
  // Once sent, the address is for its reader alone.
  await sentLetter(letter.id);
  expect((await letterTo(scope, scope.email)).body).not.toMatch(/\/in\//);
  await setMembership(db, {
    schoolId: second.schoolId,
    accountId: scope.accountId,
    role: "instructor",
    studentId: null,
  });
  const count = async () => (await listLetters(scope)).length + (await listLetters(second)).length;
  const letters = await count();
  await sendPasswordLetter(scope.email, ORIGIN);
  await sendPasswordLetter("nobody@at.all.example", ORIGIN);
  expect(await count()).toBe(letters);
});

test("who is erased as a person of the school signs in no more, and their address is gone", async () => {
  const scope = await schoolWithOwner();
  const person = randomUUID();
  await insertStudents(scope, [{ ...NOBODY, id: person, name: "Bo" }]);
  const email = `${person}@student.example`;
  await invite(scope, { email, role: "student", studentId: person }, ORIGIN);
  const ticket = (await openTicket(tokenOf((await letterTo(scope, email)).body)))!;
  const headers = await takeWithForm(ticket, form({ name: "Bo" }), request(), PLACE);
  expect(await sessionOf(headers)).toMatchObject({ role: "student", studentId: person });
  await eraseStudent(scope, person);
  expect(await sessionOf(headers)).toBeNull();
  expect(await accountByEmail(email)).toBeNull();
  expect((await listLetters(scope)).filter(({ recipient }) => recipient === email)).toEqual([]);
});

test("a sign-in ends what the device was signed in as before", async () => {
  const one = await schoolWithOwner();
  const signedIn = { schoolId: one.schoolId, accountId: one.accountId, lasts: "own" as const };
  const first = await openSession(request(), signedIn);
  const cookie = first.get("set-cookie")!.split(";")[0]!;
  expect(await sessionOf(first)).not.toBeNull();
  const second = await openSession(new Request(ORIGIN, { headers: { cookie, "user-agent": "Firefox/140" } }), signedIn);
  expect(await sessionOf(first)).toBeNull();
  expect(await sessionOf(second)).not.toBeNull();
});
