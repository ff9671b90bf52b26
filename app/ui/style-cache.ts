import createCache, { type EmotionCache } from "@emotion/cache";

/** The cache of computed styles; the same on server and client, with the page's nonce. */
export const styleCache = (nonce: string | undefined): EmotionCache =>
  createCache({ key: "css", ...(nonce ? { nonce } : {}) });
