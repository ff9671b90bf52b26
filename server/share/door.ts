/** The way in by a link, and what of the application the network sees: links alone, until there is sign-in. */
import type { RequestHandler } from "express";
import { explain } from "../respond.ts";
import { planPage } from "../class-plan.ts";
import { opened } from "./links.ts";
import { overPage, phonePage } from "./page.ts";

/** Opens a link: one class, read only. */
export const openLink: RequestHandler = async (request, response, next) => {
  const nonce = response.locals.nonce as string;
  // What is shown has names: it stays in no cache, and its address goes nowhere else.
  response.set({ "Cache-Control": "no-store", "Referrer-Policy": "no-referrer", "X-Robots-Tag": "noindex" });
  try {
    const link = await opened(String(request.params.token));
    if (!link) return void response.status(404).type("html").send(overPage(nonce));
    const reader = { schoolId: link.school_id, accountId: "", role: "student" as const };
    const page = await planPage(reader, link.class_id, { ladder: null, drill: null });
    if (!page) return void response.status(404).type("html").send(overPage(nonce));
    response.type("html").send(phonePage(page, String(request.query.who ?? ""), nonce));
  } catch (error) {
    const said = explain(error);
    if (!said) return next(error);
    response.status(said.status).type("text").send(said.message);
  }
};

/** The header by which the listener for the network marks what comes in by it; nobody else can set it. */
export const FROM_NETWORK = "x-vicissor-network";

/** Lets requests from the network open links and nothing else. */
export const linksOnly: RequestHandler = (request, response, next) => {
  if (request.headers[FROM_NETWORK] === undefined || /^\/(?:s\/[\w-]+|health|favicon\.svg)$/.test(request.path))
    return next();
  response
    .status(403)
    .type("text")
    .send("Only links are open to the network: there is no sign-in yet. Open the application on its own machine.\n");
};
