import type { RequestHandler } from "express";
import { env } from "../web/env.ts";

/** The header by which the listener for the network marks what comes in by it; nobody else can set it. */
const FROM_NETWORK = "x-vicissor-network";

const LOOPBACK = /^(?:::ffff:)?127\.|^::1$/;
const LOCAL_HOST = /^(?:localhost|127\.0\.0\.1|\[::1\])(?::\d+)?$/i;

interface Sender {
  /** The address of the peer itself, whatever a proxy says of others. */
  readonly peer: string | undefined;
  readonly header: (name: string) => string | null | undefined;
}

/**
 * True for what was asked on this machine itself: by its own address and name, not by the network, nor by a proxy for
 * somebody else. A proxy on this machine passes on the name it is known by.
 */
const isOnThisMachine = ({ peer, header }: Sender): boolean =>
  LOOPBACK.test(peer ?? "") &&
  !header(FROM_NETWORK) &&
  !header("x-forwarded-for") &&
  !header("forwarded") &&
  LOCAL_HOST.test(header("host") ?? "");

/** Lets through what was asked on this machine itself. */
export const onThisMachine: RequestHandler = (request, response, next) => {
  if (isOnThisMachine({ peer: request.socket.remoteAddress, header: (name) => request.get(name) })) return next();
  response.status(403).type("text").send("This is for the machine itself.\n");
};

/** The demo club's passwords are shown here, and good here: on the machine itself, with no proxy before it. */
export const showsPasswords = (request: Request, peer: string): boolean =>
  !env().TRUST_PROXY && isOnThisMachine({ peer, header: (name) => request.headers.get(name) });
