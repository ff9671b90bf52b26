/** Doors under many hands: tries that come at once, in any spelling, for accounts that are there and for others. */
import { randomUUID } from "node:crypto";
import { insertAccount, setMembership } from "#db/accounts.ts";
import { listLetters } from "#db/letters.ts";
import { closePool, db } from "#db/pool.ts";
import { insertEmptySchool } from "#db/school.ts";
import type { Scope } from "#db/scope.ts";
import { opened, sealed } from "./letter-key.ts";
import { hashPassword, isPassword, TooBusy } from "./password.ts";
import { readLetters } from "./post.ts";
import { signIn } from "./sign-in.ts";
import { openTicket, sendPasswordLetter, takeWithForm } from "./tickets.ts";
import { reservePassword, reserveWayIn } from "./tries.ts";

const PASSWORD = "four slow feeds";
const request = (): Request => new Request("http://localhost:1/sign-in", { method: "POST" });
afterAll(closePool);

async function owner(): Promise<Scope & { readonly email: string }> {
  const scope: Scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "owner" };
  const email = `${scope.accountId}@doors.example`;
  await insertEmptySchool(db, scope.schoolId, "Door school");
  await insertAccount(db, { id: scope.accountId, name: "Owner", email }, await hashPassword(PASSWORD));
  await setMembership(db, { schoolId: scope.schoolId, accountId: scope.accountId, role: "owner", studentId: null });
  return { ...scope, email };
}
const tryIt = (email: string, password: string, place = "address 192.0.2.1") =>
  signIn(request(), { email, password, stays: false }, { place, isHere: true });

test("of forty guesses at once five are looked at, and the right one among the others does not get in", async () => {
  const { email } = await owner();
  const guesses = await Promise.all(
    Array.from({ length: 40 }, (_, i) =>
      tryIt(i % 2 ? email : email.toUpperCase(), i === 39 ? PASSWORD : `wrong guess ${i}`),
    ),
  );
  expect(guesses.filter(({ kind }) => kind === "in")).toEqual([]);
  const said = guesses.map((one) => ("message" in one ? one.message : ""));
  expect(said.filter((words) => /do not belong together/.test(words))).toHaveLength(5);
  expect(said.filter((words) => /too many wrong passwords/.test(words))).toHaveLength(35);
  // From elsewhere the owner still gets in.
  expect(await tryIt(email, PASSWORD, "address 192.0.2.2")).toMatchObject({ kind: "in" });
});

test("an address that nobody has is answered in the same words, as often", async () => {
  const { email } = await owner();
  const words = async (who: string) => {
    const all: string[] = [];
    for (let i = 0; i < 7; i++) {
      const one = await tryIt(who, `wrong guess ${i}`);
      all.push("message" in one ? one.message.replace(/\d+/, "N") : one.kind);
    }
    return all;
  };
  expect(await words(`${randomUUID()}@nobody.example`)).toEqual(await words(email));
});

test("a wrong password takes as long for an address that nobody has", async () => {
  const takes = async (email: string) => {
    const began = performance.now();
    await tryIt(email, "a wrong guess", `address ${randomUUID()}`);
    return performance.now() - began;
  };
  const { email } = await owner();
  await takes(email);
  const times: { known: number; unknown: number }[] = [];
  for (let i = 0; i < 12; i++)
    times.push({ known: await takes(email), unknown: await takes(`${randomUUID()}@nobody.example`) });
  // The hash takes most of it. A machine that has other work as well makes some tries longer, and none shorter.
  const known = Math.min(...times.map((one) => one.known));
  const unknown = Math.min(...times.map((one) => one.unknown));
  expect(Math.abs(known - unknown) / Math.max(known, unknown)).toBeLessThan(0.3);
}, 120_000);

test("a stranger slows an owner by half a minute at most, from wherever they try", async () => {
  const email = `${randomUUID()}@slow.example`;
  for (let i = 0; i < 60; i++) await reservePassword(email, `address ${i}`);
  const words = await reservePassword(email, "address of the owner");
  expect(Number(/in (\d+) second/.exec(words!)![1])).toBeLessThanOrEqual(30);
});

test("ways in are counted by the place, sixty a minute", async () => {
  const place = `address ${randomUUID()}`;
  const all = await Promise.all(Array.from({ length: 70 }, () => reserveWayIn(place)));
  expect(all.filter((words) => words === null)).toHaveLength(60);
  expect(all.filter((words) => /too many tries/.test(words ?? ""))).toHaveLength(10);
});

test("two hashes at once, a few wait, the others are told at once and nothing of them is tried", async () => {
  const kept = await hashPassword(PASSWORD);
  const all = await Promise.allSettled(Array.from({ length: 60 }, () => isPassword(kept, PASSWORD)));
  const done = all.filter(({ status }) => status === "fulfilled").length;
  expect(done).toBeGreaterThanOrEqual(16);
  expect(done).toBeLessThanOrEqual(20);
  const refused = all.filter((one): one is PromiseRejectedResult => one.status === "rejected");
  expect(refused.every(({ reason }) => reason instanceof TooBusy)).toBe(true);
});

test("one address for a new password lives, three letters an hour are written, and a new password ends all tickets", async () => {
  const scope = await owner();
  const tokens = async () =>
    (await readLetters(scope)).flatMap(({ body }) => /\/in\/([\w-]{43})/.exec(body)?.[1] ?? []);
  for (let i = 0; i < 5; i++) await sendPasswordLetter(scope.email, "http://localhost:1");
  const [newest, second, third] = await tokens();
  expect(await tokens()).toHaveLength(3);
  expect(await openTicket(second!)).toBeNull();
  expect(await openTicket(third!)).toBeNull();
  const ticket = (await openTicket(newest!))!;
  const form = { name: "", email: "", school: "", password: "seven slow feeds" };
  await takeWithForm(ticket, form, request(), "address 192.0.2.1");
  expect(await openTicket(newest!)).toBeNull();
  const [left] = await db.query<{ n: number }>(
    `select count(*)::int as n from tickets where account_id = $1 and used_at is null and ends_at > now()`,
    [scope.accountId],
  );
  expect(left!.n).toBe(0);
});

test("what is in the database of a letter opens no door", async () => {
  const scope = await owner();
  await sendPasswordLetter(scope.email, "http://localhost:1");
  const [row] = await listLetters(scope);
  const [token] = /[\w-]{43}/.exec((await readLetters(scope))[0]!.body)!;
  expect(JSON.stringify(row)).not.toContain(token);
  expect(row!.secret!.toString("latin1")).not.toContain(token);
  const box = sealed("secret");
  expect(opened(box)).toBe("secret");
  box[box.length - 1]! ^= 1;
  expect(opened(box)).toBeNull();
});
