/**
 * Stands between a browser and the server and counts what passes: pages, workers, the service worker, and what a timer
 * or an idle callback fetches are all seen here, which no single view of a browser shows.
 */
import { createServer, request } from "node:http";

/** Starts one in front of `target`; `counted` has path, KB as sent and whether it is a script, in the order of answers. */
export async function countingProxy(target) {
  const { hostname, port, host } = new URL(target);
  const counted = [];
  const server = createServer((asked, answer) => {
    const headers = { ...asked.headers, host };
    const passed = request({ hostname, port, path: asked.url, method: asked.method, headers }, (got) => {
      let bytes = 0;
      got.on("data", (part) => (bytes += part.length));
      got.on("end", () => {
        const isScript = /javascript/.test(got.headers["content-type"] ?? "");
        counted.push({ path: asked.url.split("?")[0], kb: bytes / 1000, isScript });
      });
      answer.writeHead(got.statusCode, got.headers);
      got.pipe(answer);
    });
    passed.on("error", () => answer.destroy());
    asked.pipe(passed);
  });
  await new Promise((ready) => server.listen(0, "127.0.0.1", ready));
  return { address: `http://127.0.0.1:${server.address().port}`, counted, close: () => server.close() };
}
