/** The header by which the listener for the network marks what comes in by it; nobody else can set it. */
export const FROM_NETWORK = "x-vicissor-network";

export const isFromNetwork = (headers: Headers): boolean => headers.has(FROM_NETWORK);
