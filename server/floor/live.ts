/** What happens in a class, sent to every device that watches it: server-sent events from PostgreSQL's notify. */
import { floorSince, type FloorNews } from "#db/floor.ts";
import { listen } from "#db/listen.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";

interface Watcher {
  /** Sends what is new since the last time. */
  readonly look: () => void;
}
const watchers = new Map<string, Set<Watcher>>();
let ears: { readonly end: () => Promise<void> } | null = null;

const all = (): Watcher[] => [...watchers.values()].flatMap((set) => [...set]);

function watch(classId: string, watcher: Watcher): () => void {
  // After a lost connection everybody looks once: what was told meanwhile was not heard.
  ears ??= listen(
    "floor",
    (id) => watchers.get(id)?.forEach(({ look }) => look()),
    () => all().forEach(({ look }) => look()),
  );
  const set = watchers.get(classId) ?? new Set();
  watchers.set(classId, set.add(watcher));
  return () => {
    set.delete(watcher);
    if (set.size === 0) watchers.delete(classId);
  };
}

export const closeLive = async (): Promise<void> => {
  await ears?.end();
  ears = null;
};

/** Every so often a word that there is somebody: who hears none for a while knows that they are alone, ms. */
const ALIVE = 5000;

/** The events of a class from a place in their order on; each has that place as its id, so that browsers go on from there. */
export function liveStream(
  scope: Scope,
  classId: string,
  since: number,
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  const text = new TextEncoder();
  let last = since;
  let version: number | null = null;
  let end = () => undefined as void;
  return new ReadableStream({
    start(controller) {
      let busy = false;
      let again = false;
      let over = false;
      const send = (line: string) => {
        if (over) return;
        try {
          controller.enqueue(text.encode(line));
        } catch {
          // The browser has gone and nobody said so.
          end();
        }
      };
      const tell = (news: FloorNews) => {
        const changed = news.seq !== last || news.version !== version;
        last = news.seq;
        version = news.version;
        if (changed) send(`id: ${news.seq}\ndata: ${JSON.stringify({ ...news, now: Date.now() })}\n\n`);
      };
      const look = () => {
        if (over) return;
        if (busy) return void (again = true);
        busy = true;
        void floorSince(db, scope, classId, last)
          .then((news) => news && tell(news))
          // The database is away: the ears look again when it is back.
          .catch(() => undefined)
          .finally(() => {
            busy = false;
            if (!again) return;
            again = false;
            look();
          });
      };
      const leave = watch(classId, { look });
      const alive = setInterval(() => send(`event: alive\ndata: ${Date.now()}\n\n`), ALIVE);
      end = () => {
        if (over) return;
        over = true;
        clearInterval(alive);
        leave();
        try {
          controller.close();
        } catch {
          // It was closed from the other side.
        }
      };
      signal.addEventListener("abort", end);
      send("retry: 1000\n\n");
      look();
    },
    cancel: () => end(),
  });
}
