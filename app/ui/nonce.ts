import { createContext } from "react";

let first: string | undefined;

/**
 * The nonce of the page as it was first loaded: styles added later must carry it. Asked for before
 * the page comes alive, since loading data again writes newer nonces into the same element. Browser only.
 */
export function pageNonce(): string | undefined {
  first ??= document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
  return first;
}

/** The nonce while a page is made on the server: of a page that no loader answers for, too. */
export const ServerNonce = createContext<string | undefined>(undefined);
