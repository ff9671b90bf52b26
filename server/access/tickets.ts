/** Tickets: made for somebody, and taken by whoever holds them. */
import { randomUUID } from "node:crypto";
import {
  accountByEmail,
  accountById,
  membershipsOf,
  insertAccount,
  setMembership,
  setPassword,
  type Account,
} from "#db/accounts.ts";
import { transaction, db, type Db } from "#db/pool.ts";
import { getSchool, insertEmptySchool } from "#db/school.ts";
import { endOtherSessions } from "#db/sessions.ts";
import {
  endPasswordTickets,
  findTicket,
  insertTicket,
  takeTicket,
  type NewTicket,
  type Ticket,
  type TicketKind,
} from "#db/tickets.ts";
import type { Role, Scope } from "#db/scope.ts";
import { BadInput } from "../web/forms.ts";
import { faultOfPassword, hashPassword, isPassword } from "./password.ts";
import { ADDRESS, mailIsSent, post } from "./post.ts";
import { mayHaveLetter, passwordWasRight, reservePassword } from "./tries.ts";
import { deviceOf, hashOf, newToken, openSession } from "./session.ts";
import { warn } from "./warnings.ts";

/** How long tickets live, minutes. */
const MINUTES: Readonly<Record<TicketKind, number>> = {
  "sign-in": 60 * 24,
  school: 60 * 24,
  invitation: 60 * 24 * 7,
  password: 60,
  tablet: 15,
};

const NOTHING = { school_id: null, account_id: null, email: null, role: null, student_id: null, class_id: null };

/** Makes a ticket; the address is said this once and kept nowhere. */
async function makeTicket(kind: TicketKind, more: Partial<Omit<NewTicket, "kind">>, origin: string): Promise<string> {
  const token = newToken();
  await insertTicket(db, {
    ...NOTHING,
    ...more,
    id: randomUUID(),
    kind,
    tokenHash: hashOf(token),
    minutes: MINUTES[kind],
  });
  return `${origin}/in/${token}`;
}

/** For the terminal: an address that signs an account in once. */
export const signInAddress = (schoolId: string, accountId: string, origin: string): Promise<string> =>
  makeTicket("sign-in", { school_id: schoolId, account_id: accountId }, origin);

/** For the terminal: an address at which a school of one's own is made. */
export const newSchoolAddress = (origin: string): Promise<string> => makeTicket("school", {}, origin);

/** For a tablet in the hall: an address that shows it the floor of one class. */
export const tabletAddress = (scope: Scope, classId: string, origin: string): Promise<string> =>
  makeTicket("tablet", { school_id: scope.schoolId, account_id: scope.accountId, class_id: classId }, origin);

export interface Invited {
  readonly email: string;
  readonly role: Role;
  readonly studentId: string | null;
}

/** Invites somebody by a letter. */
export async function invite(scope: Scope, { email, role, studentId }: Invited, origin: string): Promise<void> {
  const address = await makeTicket(
    "invitation",
    { school_id: scope.schoolId, email, role, student_id: studentId },
    origin,
  );
  const school = (await getSchool(db, scope))?.name ?? "A school";
  await post({
    schoolId: scope.schoolId,
    recipient: email,
    subject: `${school} invites you`,
    address,
    body: `${school} invites you to its drills and classes.\n\nOpen this address once within seven days:\n${ADDRESS}\n\nIf you do not know the school, do nothing: nothing happens then.`,
  });
}

/**
 * Lets somebody set a new password by a letter; nothing is said of whether the address has an account. Without a mail
 * server the letter waits in the post box of their school: whoever is in several gets none there, since the owner of one
 * would get into the others by it.
 */
export async function sendPasswordLetter(email: string, origin: string): Promise<void> {
  const account = await accountByEmail(email);
  if (!account) return;
  const [school, ...others] = await membershipsOf(account.id);
  if (others.length > 0 && !mailIsSent()) return;
  if (!(await mayHaveLetter(account.email))) return;
  // One of them lives: the newest.
  await endPasswordTickets(db, account.id);
  const address = await makeTicket(
    "password",
    { account_id: account.id, school_id: school?.school_id ?? null },
    origin,
  );
  await post({
    schoolId: school?.school_id ?? null,
    recipient: account.email,
    subject: "A new password for Vicissor",
    address,
    body: `Open this address within an hour to set a new password:\n${ADDRESS}\n\nIf you did not ask for it, do nothing: the old one stays.`,
  });
}

/** The same behind the answer to whoever asked. */
export function sendLetterLater(email: string, origin: string): void {
  sendPasswordLetter(email, origin).catch((error: unknown) =>
    console.error(JSON.stringify({ level: "error", message: `a letter was not written: ${String(error)}` })),
  );
}

/** What a ticket says to its holder before it is taken. */
export interface TicketView {
  readonly kind: TicketKind;
  readonly school: string | null;
  readonly email: string | null;
  readonly role: Role | null;
  /** The address has an account already: its password is asked for instead of a new one. */
  readonly hasAccount: boolean;
}

export const openTicket = (token: string): Promise<Ticket | null> =>
  /^[\w-]{43}$/.test(token) ? findTicket(hashOf(token)) : Promise.resolve(null);

export async function ticketView(ticket: Ticket): Promise<TicketView> {
  const school = ticket.school_id
    ? await getSchool(db, { schoolId: ticket.school_id, accountId: "", role: "student" })
    : null;
  const account = ticket.account_id
    ? await accountById(ticket.account_id)
    : ticket.email
      ? await accountByEmail(ticket.email)
      : null;
  return {
    kind: ticket.kind,
    school: school?.name ?? null,
    email: ticket.email ?? account?.email ?? null,
    role: ticket.role,
    hasAccount: account !== null,
  };
}

const USED = "This address was used already, or its time is over. Ask for a new one.";

async function take(tx: Db, ticket: Ticket): Promise<void> {
  if (!(await takeTicket(tx, ticket.id))) throw new BadInput(USED);
}

/** Tickets that need nothing typed: from the terminal, and on a tablet. Gives the headers of the new session. */
export function takeAtOnce(ticket: Ticket, request: Request): Promise<Headers> {
  return transaction(async (tx) => {
    await take(tx, ticket);
    const signedIn = { schoolId: ticket.school_id!, accountId: ticket.account_id! };
    return ticket.kind === "tablet"
      ? openSession(request, { ...signedIn, classId: ticket.class_id!, lasts: "tablet" }, tx)
      : openSession(request, { ...signedIn, lasts: "own" }, tx);
  });
}

export interface TicketForm {
  readonly name: string;
  readonly email: string;
  readonly school: string;
  readonly password: string;
}

/** The hash of a password that may be one, or words for what is wrong with it. */
async function goodPassword(password: string, about: readonly string[]): Promise<string> {
  const fault = faultOfPassword(password, about);
  if (fault) throw new BadInput(fault);
  return hashPassword(password);
}

/** The account of a form: a new one, or the one of its address where the password is right. */
async function accountFor(tx: Db, form: TicketForm, place: string): Promise<Account> {
  const known = await accountByEmail(form.email);
  if (known) {
    const barred = await reservePassword(form.email, place);
    if (barred) throw new BadInput(barred);
    if (await isPassword(known.password_hash, form.password)) {
      await passwordWasRight(form.email, place);
      return known;
    }
    throw new BadInput(
      "This address has an account already, and the password is not the one of it. Type that one, or ask for a new one at sign-in.",
    );
  }
  const account = { id: randomUUID(), name: form.name, email: form.email };
  const hash = await goodPassword(form.password, [form.name, form.email, form.school]);
  if (!(await insertAccount(tx, account, hash))) throw new BadInput("This address has just got an account. Try again.");
  return account;
}

/** An invitation, a new school or a new password: what was typed with it, and the headers of the new session. */
export function takeWithForm(ticket: Ticket, form: TicketForm, request: Request, place: string): Promise<Headers> {
  return transaction(async (tx) => {
    switch (ticket.kind) {
      case "invitation": {
        const account = await accountFor(tx, { ...form, email: ticket.email! }, place);
        await take(tx, ticket);
        const schoolId = ticket.school_id!;
        const joins = { schoolId, accountId: account.id, role: ticket.role!, studentId: ticket.student_id };
        await setMembership(tx, joins);
        return openSession(request, { schoolId, accountId: account.id, lasts: "own" }, tx);
      }
      case "school": {
        const account = await accountFor(tx, form, place);
        await take(tx, ticket);
        const schoolId = randomUUID();
        await insertEmptySchool(tx, schoolId, form.school);
        await setMembership(tx, { schoolId, accountId: account.id, role: "owner", studentId: null });
        return openSession(request, { schoolId, accountId: account.id, lasts: "own" }, tx);
      }
      case "password": {
        const account = await accountById(ticket.account_id!);
        // Who has joined another school since gets in by no letter that waited in the post box of one.
        if (!mailIsSent() && (await membershipsOf(ticket.account_id!)).length > 1) throw new BadInput(USED);
        const hash = await goodPassword(form.password, account ? [account.name, account.email] : []);
        await take(tx, ticket);
        await setPassword(tx, ticket.account_id!, hash);
        // Whoever was signed in with the old password is so no more.
        await endOtherSessions(tx, ticket.account_id!, null);
        const device = deviceOf(request.headers.get("user-agent"));
        const { origin } = new URL(request.url);
        warn({ what: "password", accountId: ticket.account_id!, schoolId: ticket.school_id, device, origin });
        if (!ticket.school_id) return new Headers();
        return openSession(request, { schoolId: ticket.school_id, accountId: ticket.account_id!, lasts: "shared" }, tx);
      }
      default:
        throw new BadInput(USED);
    }
  });
}
