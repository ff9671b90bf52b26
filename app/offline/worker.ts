/**
 * Keeps the running class usable without a network, for an evening that was opened before: its page, its data and the
 * files of the application. Nothing else is kept, and of one class at a time.
 */
import { registerRoute } from "workbox-routing";
import { CacheFirst, NetworkFirst } from "workbox-strategies";

/** What a service worker has beside a page; the library of the DOM knows nothing of it. */
interface WorkerScope {
  readonly clients: { claim(): Promise<void> };
  skipWaiting(): Promise<void>;
  addEventListener(
    kind: "install" | "activate" | "message",
    heard: (event: { waitUntil(work: Promise<unknown>): void; readonly data?: unknown }) => void,
  ): void;
}
const worker = self as unknown as WorkerScope;

const FILES = "files";
/** The pages of one class, by its address: an evening that goes past midnight is still that evening. */
const cacheOf = (path: string): string => `floor ${/^\/class\/([^/.]+)/.exec(path)?.[1] ?? ""}`;
/** Until the kept page is shown instead, s. */
const PATIENCE = 3;

const isFloor = (path: string): boolean => /^\/class\/[^/]+\/floor(?:\.data)?$/.test(path);

registerRoute(
  ({ url }) => url.origin === location.origin && url.pathname.startsWith("/assets/"),
  new CacheFirst({ cacheName: FILES }),
);
registerRoute(
  ({ url, request }) => request.method === "GET" && url.origin === location.origin && isFloor(url.pathname),
  ({ event, request }) =>
    new NetworkFirst({ cacheName: cacheOf(new URL(request.url).pathname), networkTimeoutSeconds: PATIENCE }).handle({
      event,
      request,
    }),
);

worker.addEventListener("install", (event) => event.waitUntil(worker.skipWaiting()));
worker.addEventListener("activate", (event) => event.waitUntil(worker.clients.claim()));

/** A page says what it was loaded from: what came before this worker was there is kept as well. */
worker.addEventListener("message", (event) => {
  const { data } = event;
  if (Array.isArray(data)) event.waitUntil(keep(data.filter((url): url is string => typeof url === "string")));
});

async function keep(urls: readonly string[]): Promise<void> {
  const floor = urls.map((url) => new URL(url).pathname).find(isFloor);
  if (floor)
    for (const name of await caches.keys())
      if (name.startsWith("floor ") && name !== cacheOf(floor)) await caches.delete(name);
  const [files, pages] = await Promise.all([caches.open(FILES), caches.open(floor ? cacheOf(floor) : FILES)]);
  await Promise.all(
    urls.map(async (url) => {
      const cache = isFloor(new URL(url).pathname) ? pages : files;
      if (!(await cache.match(url))) await cache.add(url).catch(() => undefined);
    }),
  );
}
