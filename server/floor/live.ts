/**
 * What happens in a class, sent to every device that watches it: server-sent events from PostgreSQL's notify. However many
 * watch a class, it is asked once for what is new, and the answer is handed to all of them.
 */
import { floorSince, type FloorNews } from "#db/floor.ts";
import { listen } from "#db/listen.ts";
import { db } from "#db/pool.ts";
import type { Scope } from "#db/scope.ts";

/** Streams at once: of one session, of one class, and of this server. */
const MOST = { session: 20, class: 200, server: 2000 } as const;

/** Every so often a word that there is somebody: who hears none for a while knows that they are alone, ms. */
const ALIVE = 5000;

/** A stream ends after so long; browsers ask for it again at once, and whoever is signed out by then gets none, ms. */
const LONGEST = 600_000;

const rooms = new Map<string, Room>();
const bySession = new Map<string, number>();
let streams = 0;
let ears: { readonly end: () => Promise<void> } | null = null;

const allRooms = (): Room[] => [...rooms.values()];

function open(): void {
  // After a lost connection everybody looks once: what was told meanwhile was not heard.
  ears ??= listen(
    "floor",
    (id) => rooms.get(id)?.look(),
    () => allRooms().forEach((room) => room.look()),
  );
}

export const closeLive = async (): Promise<void> => {
  for (const room of allRooms()) for (const device of room.devices) device.end();
  await ears?.end();
  ears = null;
};

/** All devices that watch one class, and how far the class is known here. */
class Room {
  readonly devices = new Set<Teller>();
  private seq = 0;
  private version: number | null = null;
  private busy = false;
  private again = false;
  /** What came after a place, asked for once however many begin there. */
  private readonly asked = new Map<number, Promise<FloorNews | null>>();

  constructor(
    private readonly scope: Scope,
    private readonly classId: string,
  ) {}

  /** What a device that begins at a place has missed. */
  since(place: number): Promise<FloorNews | null> {
    const known = this.asked.get(place);
    if (known) return known;
    const news = floorSince(db, this.scope, this.classId, place);
    this.asked.set(place, news);
    // What failed is asked for again.
    news.catch(() => this.asked.delete(place));
    return news;
  }

  /** One question at a time: what comes in meanwhile is asked for afterwards. */
  look(): void {
    // What was known before is not all any more.
    this.asked.clear();
    if (this.busy) return void (this.again = true);
    this.busy = true;
    void floorSince(db, this.scope, this.classId, this.seq)
      .then((news) => news && this.hand(news))
      // The database is away: the ears look again when it is back.
      .catch(() => undefined)
      .finally(() => {
        this.busy = false;
        if (!this.again) return;
        this.again = false;
        this.look();
      });
  }

  private hand(news: FloorNews): void {
    const before = this.seq;
    const isNew = news.seq !== before || news.version !== this.version;
    this.seq = news.seq;
    this.version = news.version;
    if (!isNew) return;
    const line = lineOf(news);
    for (const device of this.devices) device.hear(news, line, before);
  }

  /** The first who comes brings the room to where the class is. */
  begin(news: FloorNews): void {
    if (this.version !== null) return;
    this.seq = news.seq;
    this.version = news.version;
  }
}

const lineOf = (news: FloorNews): string =>
  `id: ${news.seq}\ndata: ${JSON.stringify({ ...news, now: Date.now() })}\n\n`;

interface Watching {
  readonly scope: Scope;
  readonly classId: string;
  /** The session that watches: it has at most so many streams. */
  readonly session: string;
  /** The place in the order of the class from which on it is told. */
  readonly since: number;
}

/** The events of a class from a place on, each with its place as its id; null where there are too many streams already. */
export function liveStream(watching: Watching, signal: AbortSignal): ReadableStream<Uint8Array> | null {
  const { classId, session, scope } = watching;
  const room = rooms.get(classId) ?? new Room(scope, classId);
  const own = bySession.get(session) ?? 0;
  if (own >= MOST.session || room.devices.size >= MOST.class || streams >= MOST.server) return null;
  open();
  rooms.set(classId, room);
  let teller: Teller | null = null;
  return new ReadableStream({
    start(controller) {
      teller = new Teller(watching, room, controller);
      signal.addEventListener("abort", () => teller?.end());
      teller.begin();
    },
    // Some browsers go away without a word: the stream is taken away then.
    cancel: () => teller?.end(),
  });
}

const count = (session: string, by: 1 | -1): void => {
  const now = (bySession.get(session) ?? 0) + by;
  if (now > 0) bySession.set(session, now);
  else bySession.delete(session);
  streams += by;
};

/** Tells one device what is new in a class, until it is gone. */
class Teller {
  private over = false;
  private alive: NodeJS.Timeout | null = null;
  private longest: NodeJS.Timeout | null = null;
  /** How far this device is told; nothing is handed to it before it has caught up. */
  private last: number | null = null;
  private version: number | null = null;

  constructor(
    private readonly watching: Watching,
    private readonly room: Room,
    private readonly controller: ReadableStreamDefaultController<Uint8Array>,
  ) {}

  begin(): void {
    count(this.watching.session, 1);
    this.room.devices.add(this);
    this.alive = setInterval(() => this.send(`event: alive\ndata: ${Date.now()}\n\n`), ALIVE);
    this.longest = setTimeout(() => this.end(), LONGEST);
    this.send("retry: 1000\n\n");
    this.catchUp(this.watching.since);
  }

  /** Asks for what came since a place, and for what came while that was asked for. */
  private catchUp(since: number): void {
    void this.room
      .since(since)
      .then((news) => {
        if (!news) return;
        this.room.begin(news);
        if (news.seq !== since || this.version === null) this.send(lineOf(news));
        this.last = news.seq;
        this.version = news.version;
      })
      // The database is away: the browser asks again.
      .catch(() => this.end());
  }

  /** What is new for all who have come as far as `before`; others catch up by themselves. */
  hear(news: FloorNews, line: string, before: number): void {
    if (this.last === null || (this.last >= news.seq && this.version === news.version)) return;
    if (this.last < before) return this.catchUp(this.last);
    this.last = news.seq;
    this.version = news.version;
    this.send(line);
  }

  end(): void {
    if (this.over) return;
    this.over = true;
    if (this.alive) clearInterval(this.alive);
    if (this.longest) clearTimeout(this.longest);
    count(this.watching.session, -1);
    this.room.devices.delete(this);
    if (this.room.devices.size === 0) rooms.delete(this.watching.classId);
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
}
const TEXT = new TextEncoder();
