import { PassThrough } from "node:stream";
import createEmotionServer from "@emotion/server/create-instance";
import { CacheProvider } from "@emotion/react";
import { renderToPipeableStream } from "react-dom/server";
import { isRouteErrorResponse, ServerRouter, type EntryContext, type RouterContextProvider } from "react-router";
import { isDatabaseDown } from "#db/pool.ts";
import { nonceContext, requestIdContext } from "#server/web/context.ts";
import { faultLine } from "#server/web/requests.ts";
import { DrawnPages } from "#server/web/drawn-pages.ts";
import { ServerNonce } from "./ui/nonce.ts";
import { styleCache } from "./ui/style-cache.ts";

const RENDER_TIMEOUT = 10_000;
const drawn = new DrawnPages();
const OK = 200;

/** What a page is made of beside its address: all that was loaded, without the nonce of the answer. */
function loadedIn({ staticHandlerContext }: EntryContext): unknown {
  const { loaderData, actionData, errors } = staticHandlerContext;
  const { root, ...rest } = loaderData as Readonly<Record<string, object | undefined>>;
  return errors || actionData ? () => undefined : { ...rest, root: { ...root, nonce: null } };
}

/** Draws a page, or takes it as it was drawn from the same before. */
export default async function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
  context: RouterContextProvider,
): Promise<Response> {
  const nonce = context.get(nonceContext);
  const { pathname, search } = new URL(request.url);
  const key =
    status === OK && request.method === "GET" ? drawn.keyOf(pathname + search, status, loadedIn(routerContext)) : null;
  headers.set("Content-Type", "text/html; charset=utf-8");
  const kept = key && drawn.find(key, nonce);
  if (kept) return new Response(kept, { status, headers });
  const html = await draw(request.url, routerContext, nonce);
  if (key) drawn.keep(key, nonce, html);
  return new Response(html, { status, headers });
}

function draw(url: string, routerContext: EntryContext, nonce: string): Promise<string> {
  const cache = styleCache(nonce);
  const { extractCriticalToChunks, constructStyleTagsFromChunks } = createEmotionServer(cache);
  return new Promise((resolve, reject) => {
    const { pipe, abort } = renderToPipeableStream(
      <CacheProvider value={cache}>
        <ServerNonce value={nonce}>
          <ServerRouter context={routerContext} url={url} nonce={nonce} />
        </ServerNonce>
      </CacheProvider>,
      {
        nonce,
        onAllReady() {
          clearTimeout(timer);
          // Everything is rendered first, so that the styles it used can go into the head.
          const buffer: Buffer[] = [];
          const sink = new PassThrough();
          sink.on("data", (chunk: Buffer) => buffer.push(chunk));
          sink.on("end", () => {
            const html = Buffer.concat(buffer).toString("utf8");
            const styles = constructStyleTagsFromChunks(extractCriticalToChunks(html));
            resolve(html.replace("</head>", `${styles}</head>`));
          });
          pipe(sink);
        },
        onShellError: reject,
        onError(error) {
          console.error(error);
        },
      },
    );
    const timer = setTimeout(abort, RENDER_TIMEOUT);
  });
}

export function handleError(
  error: unknown,
  { request, context }: { request: Request; context: Readonly<RouterContextProvider> },
): void {
  // Whoever was sent elsewhere or told no was answered; nothing is at fault.
  if (request.signal.aborted || error instanceof Response || isRouteErrorResponse(error)) return;
  // A stopped database is said in a few words; everything else with where it came from.
  const said = isDatabaseDown(error) ? "database unreachable" : error;
  console.error(faultLine(said, { requestId: context.get(requestIdContext), path: new URL(request.url).pathname }));
}
