/** Links to a class for phones: made, shown, taken back, opened. */
import { createLink, findLink, linkSecret, liveLink, revokeLinks, type ShareLink } from "#db/share-links.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { PhoneLink } from "../views.ts";
import { claimedId, isSigned, qrOf, tokenOf } from "./token.ts";

/** A link lives until the day after it was made, h. */
const HOURS = 24;

/** Where other devices reach this one: as `bin/start --lan` says, else as the page itself was reached. */
export const outsideOf = (request: Request): string => process.env.LAN_ORIGIN ?? new URL(request.url).origin;

async function shown(link: ShareLink, origin: string): Promise<PhoneLink> {
  const address = `${origin}/s/${tokenOf(link.id, await linkSecret(db, link.school_id))}`;
  return {
    address,
    until: link.expires_at.toISOString(),
    qr: qrOf(address),
    isLan: process.env.LAN_ORIGIN !== undefined,
  };
}

/** The living link to a class, as screens and paper show it; null where there is none. */
export async function phoneLink(scope: Scope, classId: string, request: Request): Promise<PhoneLink | null> {
  const link = await liveLink(db, scope, classId);
  return link && shown(link, outsideOf(request));
}

/** A new link; those before it end. */
export async function renewLink(scope: Scope, classId: string): Promise<void> {
  await revokeLinks(db, scope, classId);
  await createLink(db, scope, classId, new Date(Date.now() + HOURS * 3_600_000));
}

/** All links to a class end now. */
export const endLinks = (scope: Scope, classId: string): Promise<unknown> => revokeLinks(db, scope, classId);

/** The link that a token opens; null where it is none of ours, is over or was taken back. */
export async function opened(token: string): Promise<ShareLink | null> {
  const id = claimedId(token);
  const link = id && (await findLink(db, id));
  if (!link) return null;
  return isSigned(token, await linkSecret(db, link.school_id)) ? link : null;
}
