/** The nonce of the page as it was first loaded: styles added later carry it. Browser only. */
export const pageNonce = (): string | undefined =>
  document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;
