/**
 * Pages as they were drawn last: a page is made of its address and of what was loaded for it, so that the same two draw
 * the same page. What was loaded is compared as a whole; nothing is shown that the one who asks has not loaded.
 */
import { createHash } from "node:crypto";
import { serialize } from "node:v8";

/** Most pages, and most letters of all of them together. */
const MOST_PAGES = 300;
const MOST_LETTERS = 30_000_000;
/** Stands in a kept page where each answer has a nonce of its own. */
const PLACE = "\u0000nonce\u0000";

interface Drawn {
  readonly html: string;
}

export class DrawnPages {
  private readonly pages = new Map<string, Drawn>();
  private letters = 0;

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
    const found = this.pages.get(key);
    if (!found) return null;
    // Whoever is asked for again goes last.
    this.pages.delete(key);
    this.pages.set(key, found);
    return found.html.replaceAll(PLACE, nonce);
  }

  keep(key: string, nonce: string, html: string): void {
    // A page that holds the sign of the place itself is not kept: it could not be told apart.
    if (nonce === "" || html.includes(PLACE) || this.pages.has(key)) return;
    this.pages.set(key, { html: html.replaceAll(nonce, PLACE) });
    this.letters += html.length;
    for (const [oldest, { html: gone }] of this.pages) {
      if (this.pages.size <= MOST_PAGES && this.letters <= MOST_LETTERS) return;
      this.pages.delete(oldest);
      this.letters -= gone.length;
    }
  }
}
