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

/** A stream ends after so long; browsers ask for it again at once, and whoever is signed out by then gets none, ms. */
const LONGEST = 600_000;

/** The events of a class from a place in their order on; each has that place as its id, so that browsers go on from there. */
export function liveStream(
  scope: Scope,
  classId: string,
  since: number,
  signal: AbortSignal,
): ReadableStream<Uint8Array> {
  let teller: Teller | null = null;
  return new ReadableStream({
    start(controller) {
      teller = new Teller(scope, classId, since, controller);
      signal.addEventListener("abort", () => teller?.end());
      teller.begin();
    },
    // Some browsers go away without a word: the stream is taken away then.
    cancel: () => teller?.end(),
  });
}

/** Tells one device what is new in a class, until it is gone. */
class Teller {
  private version: number | null = null;
  private busy = false;
  private again = false;
  private over = false;
  private alive: NodeJS.Timeout | null = null;
  private longest: NodeJS.Timeout | null = null;
  private leave = (): void => undefined;

  constructor(
    private readonly scope: Scope,
    private readonly classId: string,
    private last: number,
    private readonly controller: ReadableStreamDefaultController<Uint8Array>,
  ) {}

  begin(): void {
    this.leave = watch(this.classId, { look: () => this.look() });
    this.alive = setInterval(() => this.send(`event: alive\ndata: ${Date.now()}\n\n`), ALIVE);
    this.longest = setTimeout(() => this.end(), LONGEST);
    this.send("retry: 1000\n\n");
    this.look();
  }

  end(): void {
    if (this.over) return;
    this.over = true;
    if (this.alive) clearInterval(this.alive);
    if (this.longest) clearTimeout(this.longest);
    this.leave();
    try {
      this.controller.close();
    } catch {
      // It was closed from the other side.
    }
  }

  private send(line: string): void {
    if (this.over) return;
    try {
      this.controller.enqueue(TEXT.encode(line));
    } catch {
      // The browser has gone and nobody said so.
      this.end();
    }
  }

  private tell(news: FloorNews): void {
    const changed = news.seq !== this.last || news.version !== this.version;
    this.last = news.seq;
    this.version = news.version;
    if (changed) this.send(`id: ${news.seq}\ndata: ${JSON.stringify({ ...news, now: Date.now() })}\n\n`);
  }

  /** One question at a time: what comes in meanwhile is asked for afterwards. */
  private look(): void {
    if (this.over) return;
    if (this.busy) return void (this.again = true);
    this.busy = true;
    void floorSince(db, this.scope, this.classId, this.last)
      .then((news) => news && this.tell(news))
      // The database is away: the ears look again when it is back.
      .catch(() => undefined)
      .finally(() => {
        this.busy = false;
        if (!this.again) return;
        this.again = false;
        this.look();
      });
  }
}
const TEXT = new TextEncoder();
