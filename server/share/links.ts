/** Links that open without signing in: made, shown, taken back, opened. */
import {
  createLink,
  findLink,
  linkSecret,
  liveLink,
  revokeLinks,
  type Shared,
  type ShareKind,
  type ShareLink,
} from "#db/share-links.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";
import type { PhoneLink } from "../views.ts";
import { claimedId, isSigned, qrOf, tokenOf, type QrCode } from "./token.ts";
import { env } from "../web/env.ts";
import { opensHereOnly } from "../web/reach.ts";

const HOUR = 3_600_000;
/** A link to a class lives until the day after it was made, h. */
export const CLASS_HOURS = 24;

/** Where other devices reach this one: as `bin/start --lan` says, else as the page itself was reached. */
export const outsideOf = (request: Request): string => env().LAN_ORIGIN ?? new URL(request.url).origin;

/** Where a device gets what makes it trust this machine, as an address and a code; null without a listener for the network. */
export function authority(): { readonly address: string; readonly qr: QrCode } | null {
  const { LAN_ORIGIN } = env();
  if (!LAN_ORIGIN) return null;
  const address = `${LAN_ORIGIN}/authority.crt`;
  return { address, qr: qrOf(address) };
}

async function shown(link: ShareLink, origin: string): Promise<PhoneLink> {
  const address = `${origin}/s/${tokenOf(link.linkId, await linkSecret(db, link.schoolId))}`;
  return {
    address,
    until: link.expiresAt.toISOString(),
    names: link.names,
    qr: qrOf(address),
    isHereOnly: opensHereOnly(address),
  };
}

/** The living link to something, as screens and paper show it; null where there is none. */
export async function shareLink(
  scope: Scope,
  kind: ShareKind,
  id: string,
  request: Request,
): Promise<PhoneLink | null> {
  const link = await liveLink(db, scope, { kind, id });
  return link && shown(link, outsideOf(request));
}

/** A new link for so many hours; those before it end. */
export async function renewLink(scope: Scope, shared: Shared, hours: number): Promise<void> {
  await revokeLinks(db, scope, shared);
  await createLink(db, scope, shared, new Date(Date.now() + hours * HOUR));
}

/** All links of a kind to something end now. */
export const endLinks = (scope: Scope, kind: ShareKind, id: string): Promise<unknown> =>
  revokeLinks(db, scope, { kind, id });

/** The link that a token opens; null where it is none of ours, is over or was taken back. */
export async function opened(token: string): Promise<ShareLink | null> {
  const id = claimedId(token);
  const link = id && (await findLink(db, id));
  if (!link) return null;
  return isSigned(token, await linkSecret(db, link.schoolId)) ? link : null;
}
