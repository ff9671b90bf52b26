/** Sessions: a cookie that a device sends along, and what it stands for. */
import { createHash, randomBytes, randomUUID } from "node:crypto";
import { insertChange } from "#db/changes.ts";
import { endSession, findSession, insertSession, type Session } from "#db/sessions.ts";
import { meetDevice } from "#db/known-devices.ts";
import { db, isDatabaseDown, type Db } from "#db/pool.ts";
import { warn } from "./warnings.ts";

/** A session; nobody; or unknown, while the database does not answer. */
export type Visitor = Session | "nobody" | "unknown";

const TOKEN_BYTES = 32;
const COOKIE = "vicissor";

export const newToken = (): string => randomBytes(TOKEN_BYTES).toString("base64url");
/** What is kept of a token: who reads the database cannot come in with it. The token itself is random, so no salt is needed. */
export const hashOf = (token: string): Buffer => createHash("sha256").update(token).digest();

/** The token that a request carries; null where it carries none of ours. */
export function tokenIn(cookies: string | null | undefined): string | null {
  const found = /(?:^|;\s*)vicissor=([\w-]{43})(?:;|$)/.exec(cookies ?? "");
  return found ? found[1]! : null;
}

/** Sessions that were found lately, by their tokens: what floods are counted by. */
const found = new Map<string, string>();
const MOST_FOUND = 20_000;

function remember(token: string, id: string | null): void {
  found.delete(token);
  if (id === null) return;
  found.set(token, id);
  if (found.size > MOST_FOUND) found.delete(found.keys().next().value!);
}

/** The session that a token was found to be lately; null: none, or not yet. */
export const knownSession = (token: string): string | null => found.get(token) ?? null;

/** Who sends a request, by its cookies. */
export async function visitorOf(cookies: string | null | undefined): Promise<Visitor> {
  const token = tokenIn(cookies);
  if (!token) return "nobody";
  try {
    const session = await findSession(hashOf(token));
    remember(token, session?.id ?? null);
    return session ?? "nobody";
  } catch (error) {
    if (isDatabaseDown(error)) return "unknown";
    throw error;
  }
}

/** How long somebody stays signed in, h: at most, and without a request. */
const LASTS = {
  /** On a device that others use too: an evening, and a break. */
  shared: { hours: 12, idleHours: 2 },
  /** On a device of one's own. */
  own: { hours: 24 * 90, idleHours: 24 * 14 },
  tablet: { hours: 16, idleHours: 16 },
} as const;

/** What a browser calls itself, in two words for a list of devices. */
export function deviceOf(userAgent: string | null): string {
  const text = userAgent ?? "";
  const browser = /Edg\//.test(text)
    ? "Edge"
    : (/(Firefox|Chrome|Safari)\//.exec(text.includes("Chrome/") ? text.replace(/Safari\/\S+/, "") : text)?.[1] ??
      "A program");
  const system = /(Android|iPhone|iPad|Windows|Mac OS X|Linux)/.exec(text)?.[1];
  return system ? `${browser} on ${system}` : browser;
}

const cookie = (name: string, token: string, request: Request, maxAge: number | null): string =>
  [
    `${name}=${token}`,
    "Path=/",
    "HttpOnly",
    "SameSite=Lax",
    ...(new URL(request.url).protocol === "https:" ? ["Secure"] : []),
    ...(maxAge === null ? [] : [`Max-Age=${maxAge}`]),
  ].join("; ");

export interface SignedIn {
  readonly schoolId: string;
  readonly accountId: string;
  readonly classId?: string;
  readonly lasts: keyof typeof LASTS;
}

/**
 * Opens a session and gives the headers that tell the device. Whatever the device was signed in as before ends: a
 * token never outlives a sign-in.
 */
export async function openSession(request: Request, signedIn: SignedIn, tx: Db = db): Promise<Headers> {
  const old = tokenIn(request.headers.get("cookie"));
  const before = old ? await findSession(hashOf(old)) : null;
  if (before) await endSession(before.id);
  const token = newToken();
  const { hours, idleHours } = LASTS[signedIn.lasts];
  await insertSession(tx, {
    id: randomUUID(),
    tokenHash: hashOf(token),
    schoolId: signedIn.schoolId,
    accountId: signedIn.accountId,
    classId: signedIn.classId ?? null,
    device: deviceOf(request.headers.get("user-agent")),
    hours,
    idleHours,
  });
  const { schoolId, accountId } = signedIn;
  const scope = { schoolId, accountId, role: signedIn.classId ? ("tablet" as const) : ("student" as const) };
  await insertChange(scope, { place: "/sign-in", what: signedIn.classId ? "tablet" : "sign-in", subject: null }, tx);
  const stays = signedIn.lasts === "shared" ? null : hours * 3600;
  const headers = new Headers({ "Set-Cookie": cookie(COOKIE, token, request, stays) });
  if (!signedIn.classId) headers.append("Set-Cookie", await knownFromNowOn(request, signedIn, tx));
  return headers;
}

/** By this a device is known again; it opens nothing. */
const DEVICE = "vicissor-device";
/** As long as browsers keep a cookie at most, s (RFC 6265bis, 5.5). */
const DEVICE_LASTS = 400 * 24 * 3600;

/** Notes the device of a sign-in; whoever has others and comes by a new one gets a letter. Gives the cookie. */
async function knownFromNowOn(request: Request, { accountId, schoolId }: SignedIn, tx: Db): Promise<string> {
  const carried = /(?:^|;\s*)vicissor-device=([\w-]{43})(?:;|$)/.exec(request.headers.get("cookie") ?? "")?.[1];
  const token = carried ?? newToken();
  const device = deviceOf(request.headers.get("user-agent"));
  if ((await meetDevice(tx, accountId, hashOf(token))) === "new")
    warn({ what: "new device", accountId, schoolId, device, origin: new URL(request.url).origin });
  return cookie(DEVICE, token, request, DEVICE_LASTS);
}

/** Headers that sign a device out, with all that it kept of the pages. */
export const signedOut = (request: Request): Headers =>
  new Headers({ "Set-Cookie": cookie(COOKIE, "", request, 0), "Clear-Site-Data": '"cache", "storage"' });
