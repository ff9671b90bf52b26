/** Letters go out through a mail server, a stand-in that is one (RFC 5321 by another library), and warn whom they are about. */
import { randomUUID } from "node:crypto";
import type { AddressInfo } from "node:net";
import { SMTPServer } from "smtp-server";
import { insertAccount, setMembership } from "#db/accounts.ts";
import { listChanges } from "#db/changes.ts";
import { listLetters } from "#db/letters.ts";
import { closePool, db } from "#db/pool.ts";
import { insertEmptySchool } from "#db/school.ts";
import type { Scope } from "#db/scope.ts";
import { hashPassword } from "./password.ts";
import { signIn } from "./sign-in.ts";
import { invite, sendPasswordLetter } from "./tickets.ts";
import { readEnvAgain } from "../web/env.ts";

interface Arrived {
  readonly from: string;
  readonly to: readonly string[];
  readonly text: string;
}
const arrived: Arrived[] = [];
const server = new SMTPServer({
  authOptional: true,
  disabledCommands: ["STARTTLS"],
  onData(stream, session, done) {
    const parts: Buffer[] = [];
    stream.on("data", (part: Buffer) => parts.push(part));
    stream.on("end", () => {
      const { mailFrom, rcptTo } = session.envelope;
      const from = mailFrom ? mailFrom.address : "";
      // Long lines are broken for the way (RFC 2045, 6.7).
      const text = Buffer.concat(parts).toString().replace(/=\r\n/g, "").replace(/=3D/g, "=");
      arrived.push({ from, to: rcptTo.map(({ address }) => address), text });
      done();
    });
  },
});

const HERE = { place: "address test", isHere: true } as const;
const ORIGIN = "http://localhost:1";
const PASSWORD = "four slow feeds";
let scope: Scope;
let email: string;

beforeAll(async () => {
  await new Promise<void>((ready) => server.listen(0, "127.0.0.1", ready));
  process.env.SMTP_URL = `smtp://127.0.0.1:${(server.server.address() as AddressInfo).port}`;
  process.env.MAIL_FROM = "Quay club <club@quay.example>";
  readEnvAgain();
});
afterAll(async () => {
  delete process.env.SMTP_URL;
  delete process.env.MAIL_FROM;
  readEnvAgain();
  await new Promise<void>((closed) => server.close(closed));
  await closePool();
});
beforeEach(async () => {
  arrived.length = 0;
  scope = { schoolId: randomUUID(), accountId: randomUUID(), role: "owner" };
  email = `${scope.accountId}@owner.example`;
  await insertEmptySchool(db, scope.schoolId, "Quay club");
  await insertAccount(db, { id: scope.accountId, name: "Owner", email }, await hashPassword(PASSWORD));
  await setMembership(db, { schoolId: scope.schoolId, accountId: scope.accountId, role: "owner", studentId: null });
});

/** Waits for letters that nothing waits for. */
async function letters(count: number): Promise<readonly Arrived[]> {
  for (let i = 0; i < 50 && arrived.length < count; i++) await new Promise((go) => setTimeout(go, 50));
  return arrived;
}
const device = (cookie = "") =>
  new Request(`${ORIGIN}/sign-in`, { headers: { "user-agent": "Firefox/140 Linux", ...(cookie ? { cookie } : {}) } });
/** What a browser sends back of the headers that it was given. */
const cookiesOf = (headers: Headers): string =>
  headers
    .getSetCookie()
    .map((one) => one.split(";")[0]!)
    .join("; ");
async function comeIn(request: Request): Promise<string> {
  const result = await signIn(request, { email, password: PASSWORD, stays: false }, HERE);
  if (result.kind !== "in") throw new Error(result.message);
  return cookiesOf(result.headers);
}

test("an invitation arrives with its address, which the post box keeps no longer", async () => {
  await invite(scope, { email: "ann@new.example", role: "assistant", studentId: null }, ORIGIN);
  const [letter] = await letters(1);
  expect(letter).toMatchObject({ from: "club@quay.example", to: ["ann@new.example"] });
  expect(letter!.text).toMatch(/^Subject: Quay club invites you/m);
  expect(letter!.text).toMatch(/http:\/\/localhost:1\/in\/[\w-]{43}/);
  const [kept] = await listLetters(scope);
  expect(kept!.sent_at).not.toBeNull();
  expect(kept!.body).not.toMatch(/\/in\//);
});

test("a line break or a comma in an address makes no second one", async () => {
  await invite(scope, { email: "ann@new.example\r\nBcc: x@y.example", role: "assistant", studentId: null }, ORIGIN);
  await invite(scope, { email: "ann@new.example, x@y.example", role: "assistant", studentId: null }, ORIGIN);
  // Neither is an address, so that neither goes out; both wait where the owner sees them.
  expect(arrived).toEqual([]);
  expect((await listLetters(scope)).map(({ sent_at }) => sent_at)).toEqual([null, null]);
});

test("whoever signs in on another device than before is told, and on none that is known", async () => {
  const known = await comeIn(device());
  expect(known).toMatch(/vicissor=[\w-]{43}; vicissor-device=[\w-]{43}/);
  // Signed out and in again: the device is still the same.
  const again = await comeIn(device(known.replace(/vicissor=[^;]+; /, "")));
  expect(/device=(.*)/.exec(again)![1]).toBe(/device=(.*)/.exec(known)![1]);
  expect(arrived).toEqual([]);
  await comeIn(device());
  const [letter] = await letters(1);
  expect(letter!.to).toEqual([email]);
  expect(letter!.text).toMatch(/^Subject: Somebody signed in as you on a device that was not known/m);
  expect(letter!.text).toMatch(/\(Firefox on Linux\), at Quay club\./);
  expect(letter!.text).toContain(`${ORIGIN}/account`);
});

test("a wrong password is seen by the owners, and an unknown address by nobody", async () => {
  await signIn(device(), { email, password: "not the password", stays: false }, HERE);
  await signIn(device(), { email: "nobody@quay.example", password: "not the password", stays: false }, HERE);
  const found = await listChanges(scope, { before: null, limit: 10 });
  expect(found.map(({ place, what, who }) => [place, what, who])).toEqual([["/sign-in", "wrong-password", "Owner"]]);
});

test("a mail server that is not there loses nothing: the letter waits in the post box", async () => {
  const url = process.env.SMTP_URL!;
  process.env.SMTP_URL = "smtp://127.0.0.1:9";
  readEnvAgain();
  const said: string[] = [];
  const { error } = console;
  console.error = (line: string) => void said.push(line);
  try {
    await sendPasswordLetter(email, ORIGIN);
  } finally {
    process.env.SMTP_URL = url;
    readEnvAgain();
    console.error = error;
  }
  expect(said).toHaveLength(1);
  expect(JSON.parse(said[0]!)).toMatchObject({ message: expect.stringMatching(/a letter was not sent/) as string });
  expect(said[0]).not.toContain(email);
});
