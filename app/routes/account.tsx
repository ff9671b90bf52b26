import { data, redirect, redirectDocument } from "react-router";
import { accountById, membershipsOf, renameAccount, setPassword } from "#db/accounts.ts";
import { deletePasskey, listPasskeys } from "#db/passkeys.ts";
import { db, transaction } from "#db/pool.ts";
import { endOtherSessions, endOwnSession, endSession, listDevices, type Session } from "#db/sessions.ts";
import { nameIn, passkeyAnswerIn, passwordIn } from "#server/access/forms.ts";
import { askForPasskey, keepPasskey, relyingParty } from "#server/access/passkeys.ts";
import { faultOfPassword, hashPassword, isPassword } from "#server/access/password.ts";
import { openSession, signedOut, deviceOf } from "#server/access/session.ts";
import { passwordWasRight, reservePassword } from "#server/access/tries.ts";
import { warn } from "#server/access/warnings.ts";
import { visitorContext } from "#server/web/context.ts";
import { idIn } from "#server/web/forms.ts";
import { notFound, reading, refused, writing } from "#server/web/respond.ts";
import type { RegistrationResponseJSON } from "@simplewebauthn/server";
import type { Route } from "./+types/account.ts";
import { AccountScreen } from "../access/account-screen.tsx";

export { keepPageOnFailure as shouldRevalidate } from "../ui/keep-page.ts";
export const meta: Route.MetaFunction = () => [{ title: "Your account · Vicissor" }];

/** The door lets nobody here without a session of their own. */
function sessionIn(context: Route.LoaderArgs["context"]): Session {
  const visitor = context.get(visitorContext);
  if (typeof visitor === "string") throw notFound("Nobody is signed in here.");
  return visitor;
}

export function loader({ context, request }: Route.LoaderArgs) {
  return reading(async () => {
    const session = sessionIn(context);
    const [account, schools, passkeys, devices] = await Promise.all([
      accountById(session.accountId),
      membershipsOf(session.accountId),
      listPasskeys(session.accountId),
      listDevices(session.accountId),
    ]);
    if (!account) throw notFound("This account is not here any more.");
    return {
      account: { name: account.name, email: account.email, hasPassword: account.password_hash !== null },
      role: session.role,
      schools: schools.map((one) => ({ ...one, isHere: one.school_id === session.schoolId })),
      passkeys: passkeys.map((one) => ({ ...one, created_at: one.created_at.toISOString() })),
      devices: devices.map(({ id, device, seen_at, class_id }) => ({
        id,
        device,
        seenAt: seen_at.toISOString(),
        isHere: id === session.id,
        isTablet: class_id !== null,
      })),
      canUsePasskey: relyingParty(request) !== null,
    };
  });
}

/** A letter to whom the account belongs, in case it was not them. */
function warnOf(what: "password" | "passkey", { accountId, schoolId }: Session, request: Request): void {
  const device = deviceOf(request.headers.get("user-agent"));
  warn({ what, accountId, schoolId, device, origin: new URL(request.url).origin });
}

async function changePassword(session: Session, fields: Readonly<Record<string, string>>, request: Request) {
  const account = (await accountById(session.accountId))!;
  if (account.password_hash) {
    const place = `session ${session.id}`;
    const barred = await reservePassword(account.email, place);
    if (barred) return refused(barred);
    if (!(await isPassword(account.password_hash, passwordIn(fields.old))))
      return refused("The old password is not right. Nothing was changed.");
    await passwordWasRight(account.email, place);
  }
  const password = passwordIn(fields.password);
  const fault = faultOfPassword(password, [account.name, account.email]);
  if (fault) return refused(fault);
  const hash = await hashPassword(password);
  await transaction((tx) => setPassword(tx, account.id, hash));
  await endOtherSessions(db, account.id, session.id);
  warnOf("password", session, request);
  return { kind: "saved" as const, message: "The password is changed. Other devices are signed out." };
}

async function enterSchool(session: Session, schoolId: string, request: Request) {
  const schools = await membershipsOf(session.accountId);
  if (!schools.some(({ school_id }) => school_id === schoolId))
    return refused("You do not belong to this school any more.");
  throw redirect("/", {
    headers: await openSession(request, { schoolId, accountId: session.accountId, lasts: "own" }),
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  return writing({ request, context }, async (fields) => {
    const session = sessionIn(context);
    const { accountId } = session;
    switch (fields.intent) {
      case "sign-out":
        await endSession(session.id);
        // What the page holds in its memory goes as well.
        throw redirectDocument("/sign-in", { headers: signedOut(request) });
      case "rename":
        await renameAccount(accountId, nameIn(fields));
        return { kind: "saved" as const, message: "The name is changed." };
      case "password":
        return changePassword(session, fields, request);
      case "school":
        return enterSchool(session, idIn(fields.school), request);
      case "passkey-ask": {
        const party = relyingParty(request);
        const account = await accountById(accountId);
        if (!party || !account)
          return refused("Passkeys need an address with a name: open this as localhost, or by its name.");
        return data({ kind: "asked" as const, ...(await askForPasskey(party.id, account)) });
      }
      case "passkey-add": {
        const kept = await keepPasskey(request, accountId, passkeyAnswerIn<RegistrationResponseJSON>(fields));
        if (!kept) return refused("The passkey was not made, or it took too long. Try again.");
        warnOf("passkey", session, request);
        return { kind: "saved" as const, message: "This device has a passkey now." };
      }
      case "passkey-delete":
        await deletePasskey(accountId, fields.passkey ?? "");
        return { kind: "saved" as const, message: "The passkey is deleted." };
      case "end":
        await endOwnSession(accountId, idIn(fields.session));
        return { kind: "saved" as const, message: "That device is signed out." };
      case "end-others":
        await endOtherSessions(db, accountId, session.id);
        return { kind: "saved" as const, message: "All other devices are signed out." };
      default:
        return refused("This page is older than the application. Load it again.");
    }
  });
}

export default function Account({ loaderData }: Route.ComponentProps) {
  return <AccountScreen {...loaderData} />;
}
