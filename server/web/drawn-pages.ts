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
/** What stands between the nonces of a page, as it is sent: the work of turning letters into bytes is done once. */
type Pieces = readonly Buffer[];

export class DrawnPages {
  private readonly pages = new Bounded<string, Pieces>(PAGES);

  /** Null where what was loaded cannot be compared: then the page is drawn each time. */
  keyOf(address: string, status: number, loaded: unknown): string | null {
    try {
      return createHash("sha256").update(`${status} ${address}\n`).update(serialize(loaded)).digest("base64");
    } catch {
      return null;
    }
  }

  /** A kept page with the nonce of this answer, in UTF-8; null where it was not drawn yet. */
  find(key: string, nonce: string): Buffer<ArrayBuffer> | null {
    const pieces = this.pages.get(key);
    if (!pieces) return null;
    const between = Buffer.from(nonce);
    return Buffer.concat(pieces.flatMap((piece, i) => (i === 0 ? [piece] : [between, piece])));
  }

  keep(key: string, nonce: string, html: string): void {
    if (nonce === "" || html.length > MOST_LETTERS) return;
    this.pages.set(
      key,
      html.split(nonce).map((piece) => Buffer.from(piece)),
    );
  }
}
