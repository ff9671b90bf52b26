/** The way in by a link. */
import type { RequestHandler } from "express";
import type { ShareLink } from "#db/share-links.ts";
import type { Scope } from "#db/scope.ts";
import { explain } from "../web/respond.ts";
import { planPage } from "../classes/plan-page.ts";
import { drillBody, ladderBody } from "./drill-page.ts";
import { htmlPage, styled } from "./html.ts";
import { opened } from "./links.ts";
import { overPage, phonePage } from "./page.ts";
import { readDrill, readLadder } from "./read.ts";
import { schoolName } from "../school/school-of.ts";

/** The page that a link shows; null where what it was to is gone. */
async function pageOf(link: ShareLink, who: string, nonce: string): Promise<string | null> {
  const reader: Scope = { schoolId: link.schoolId, accountId: "", role: "student" };
  switch (link.kind) {
    case "class":
    case "wall": {
      const plan = await planPage(reader, link.id, { ladder: null, drill: null });
      return plan && phonePage(plan, { who, names: link.names, wall: link.kind === "wall" }, nonce);
    }
    case "drill":
    case "card": {
      const drill = await readDrill(reader, link.id);
      if (!drill) return null;
      return htmlPage(drill.title, drillBody(drill, await schoolName(reader), link.kind), styled(nonce));
    }
    case "ladder": {
      const ladder = await readLadder(reader, link.id);
      if (!ladder) return null;
      return htmlPage(ladder.title, ladderBody(ladder.title, await schoolName(reader), ladder.rungs), styled(nonce));
    }
  }
}

/** Opens a link: one class, drill or ladder, read only. */
export const openLink: RequestHandler = async (request, response, next) => {
  const nonce = response.locals.nonce as string;
  // What is shown may have names: it stays in no cache, and its address goes nowhere else.
  response.set({ "Cache-Control": "no-store", "Referrer-Policy": "no-referrer", "X-Robots-Tag": "noindex" });
  try {
    const link = await opened(String(request.params.token));
    const page = link && (await pageOf(link, String(request.query.who ?? ""), nonce));
    response
      .status(page ? 200 : 404)
      .type("html")
      .send(page ?? overPage(nonce));
  } catch (error) {
    const said = explain(error);
    if (!said) return next(error);
    response.status(said.status).type("text").send(said.message);
  }
};
