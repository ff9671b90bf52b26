/** The way in by a link. */
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
