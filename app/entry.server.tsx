import { PassThrough } from "node:stream";
import createEmotionServer from "@emotion/server/create-instance";
import { CacheProvider } from "@emotion/react";
import { createReadableStreamFromReadable } from "@react-router/node";
import { renderToPipeableStream } from "react-dom/server";
import { ServerRouter, type EntryContext, type RouterContextProvider } from "react-router";
import { isDatabaseDown } from "#db/pool.ts";
import { nonceContext } from "#server/context.ts";
import { ServerNonce } from "./ui/nonce.ts";
import { styleCache } from "./ui/style-cache.ts";

const RENDER_TIMEOUT = 10_000;

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  routerContext: EntryContext,
  context: RouterContextProvider,
): Promise<Response> {
  const nonce = context.get(nonceContext);
  const cache = styleCache(nonce);
  const { extractCriticalToChunks, constructStyleTagsFromChunks } = createEmotionServer(cache);
  return new Promise((resolve, reject) => {
    const { pipe, abort } = renderToPipeableStream(
      <CacheProvider value={cache}>
        <ServerNonce value={nonce}>
          <ServerRouter context={routerContext} url={request.url} nonce={nonce} />
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
            const body = new PassThrough();
            headers.set("Content-Type", "text/html");
            resolve(new Response(createReadableStreamFromReadable(body), { status, headers }));
            body.end(html.replace("</head>", `${styles}</head>`));
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

export function handleError(error: unknown, { request }: { request: Request }): void {
  if (request.signal.aborted) return;
  // A stopped database is said in one line; everything else with where it came from.
  if (isDatabaseDown(error)) console.error("database unreachable");
  else console.error(error);
}
