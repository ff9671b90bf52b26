/** Whom an address can be given to. */

const HERE = /^(?:localhost|127(?:\.\d+){3}|\[::1\])$/;

/** True where only the machine that gives an address out opens it (loopback: RFC 6761, 6.3, and RFC 1122, 3.2.1.3). */
export const opensHereOnly = (address: string): boolean => HERE.test(new URL(address).hostname);
