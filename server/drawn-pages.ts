/**
 * Pages as they were drawn last: a page is made of its address and of what was loaded for it, so that the same two draw
 * the same page. What was loaded is compared as a whole; nothing is shown that the one who asks has not loaded.
 */
import { createHash } from "node:crypto";
import { serialize } from "node:v8";
import { Bounded } from "#core/base/bounded.ts";

/** So many pages are kept for sure. */
const PAGES = 100;
/** A longer page is drawn each time. */
const MOST_LETTERS = 1_000_000;
/** Stands in a kept page where each answer has a nonce of its own. */
const PLACE = "\u0000nonce\u0000";

export class DrawnPages {
  private readonly pages = new Bounded<string, string>(PAGES);

  /** Null where what was loaded cannot be compared: then the page is drawn each time. */
  keyOf(address: string, status: number, loaded: unknown): string | null {
    try {
      return createHash("sha256").update(`${status} ${address}\n`).update(serialize(loaded)).digest("base64");
    } catch {
      return null;
    }
  }

  /** A kept page with the nonce of this answer; null where it was not drawn yet. */
  find(key: string, nonce: string): string | null {
    return this.pages.get(key)?.replaceAll(PLACE, nonce) ?? null;
  }

  keep(key: string, nonce: string, html: string): void {
    // A page that holds the sign of the place itself is not kept: it could not be told apart.
    if (nonce === "" || html.includes(PLACE) || html.length > MOST_LETTERS) return;
    this.pages.set(key, html.replaceAll(nonce, PLACE));
  }
}
