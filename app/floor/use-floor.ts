/** A running class on this device: what every device has tapped, what is on its way, and the clock that they share. */
import type { FloorNews, NewIncident, NewMark } from "#server/views.ts";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useFetchers, useRevalidator } from "react-router";
import { standing, type Mark } from "#core/floor/marks.ts";
import { runningAt, type Running, type Tap, type Tapped } from "#core/floor/running.ts";
import type { Segment } from "#core/floor/timeline.ts";
import {
  deliver,
  isEmpty,
  NOTHING,
  readKnown,
  readOutbox,
  readRefused,
  together,
  without,
  writeKnown,
  writeOutbox,
  writeRefused,
  type Known,
  type Refused,
  type Waiting,
} from "./outbox.ts";
import { askOffset, readOffset, writeOffset } from "./server-clock.ts";

/** Until what did not arrive is sent again, and until the clocks are compared again, ms. */
const AGAIN = 2000;
const COMPARE = 60_000;
/** A device that has heard nothing for so long is alone, ms. */
const SILENT = 12_000;
/** How often the picture of the clock is drawn, ms. */
const DRAW = 100;

const byId = <T extends { readonly id: string }>(all: readonly T[]): T[] => [
  ...new Map(all.map((one) => [one.id, one])).values(),
];

const merged = (one: Known, two: Known): Known => ({
  taps: byId([...one.taps, ...two.taps]),
  marks: byId([...one.marks, ...two.marks]),
});

export interface Floor {
  readonly running: Running;
  readonly marks: readonly Mark[];
  readonly hurt: ReadonlySet<string>;
  /** The server's clock, ms. */
  readonly now: () => number;
  readonly tap: (tap: Tap) => void;
  /** Starts the class though its hours are others: somebody has said that it is run now. */
  readonly startNow: () => void;
  /** Returns the marks as they are kept, so that they can be taken out again. */
  readonly mark: (marks: readonly Omit<NewMark, "id" | "at">[]) => readonly NewMark[];
  readonly hurtNow: (incident: Omit<NewIncident, "id" | "at">) => void;
  /** How many things have not arrived yet. */
  readonly waiting: number;
  readonly isLive: boolean;
  /** What the server did not take in: it stays until somebody has seen it. */
  readonly refused: Refused | null;
  readonly leaveRefused: () => void;
  /** This device is not signed in any more, in words; what waits stays. */
  readonly shutOut: string | null;
  /** What could not be done after something was taken in, in words. */
  readonly trouble: string | null;
}

export function useFloor(
  classId: string,
  segments: readonly Segment[],
  begin: FloorNews & { readonly now: number },
): Floor {
  const [known, setKnown] = useState<Known>({ taps: begin.taps, marks: begin.marks });
  useEffect(() => {
    const kept = readKnown(localStorage, classId);
    setKnown((old) => merged(kept, old));
  }, [classId]);
  useEffect(() => writeKnown(localStorage, classId, known), [classId, known]);
  const { waiting, add, ...box } = useOutbox(classId);
  const { now, raw, setOffset } = useServerClock(classId, begin.now);
  const isLive = useLive(classId, begin, (news) => {
    setOffset(news.now);
    setKnown((old) => merged(old, news));
  });
  const [, draw] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => draw((n) => n + 1), DRAW);
    return () => clearInterval(timer);
  }, []);
  const taps = useMemo(() => byId([...known.taps, ...waiting.taps]), [known.taps, waiting.taps]);
  const marks = useMemo(() => standing(byId([...known.marks, ...waiting.marks])), [known.marks, waiting.marks]);
  const clock = useMemo(
    () => taps.flatMap(({ tap, ...one }): Tapped[] => (tap.kind === "hurt" ? [] : [{ ...one, tap }])),
    [taps],
  );
  const hurt = useMemo(() => new Set(taps.flatMap(({ tap }) => (tap.kind === "hurt" ? [tap.person] : []))), [taps]);
  // Where it has begun, somebody has said so.
  const meant = known.taps.length > 0 ? ({ sure: true } as const) : {};
  const stamp = () => ({ id: crypto.randomUUID(), at: Math.max(0, Math.round(now())), ...raw() });
  return {
    running: runningAt(segments, clock, now()),
    marks,
    hurt,
    now,
    tap: (tap) => add({ ...NOTHING, taps: [{ ...stamp(), tap }], ...meant }),
    startNow: () => add({ ...NOTHING, taps: [{ ...stamp(), tap: { kind: "start" } }], sure: true }),
    mark: (seen) => {
      const marks = seen.map((one) => ({ ...one, ...stamp() }));
      add({ ...NOTHING, marks });
      return marks;
    },
    hurtNow: (incident) =>
      add({
        ...NOTHING,
        ...meant,
        taps: [{ ...stamp(), tap: { kind: "hurt", person: incident.student_id } }],
        incidents: [{ ...incident, ...stamp() }],
      }),
    waiting: waiting.taps.length + waiting.marks.length + waiting.incidents.length,
    isLive,
    ...box,
  };
}

/** What waits here, sent as soon as it can be. Nothing leaves the device but to the server. */
function useOutbox(classId: string) {
  const [waiting, setWaiting] = useState<Waiting>(NOTHING);
  const [refused, setRefused] = useState<Refused | null>(null);
  const [shutOut, setShutOut] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const now = useRef<Waiting>(NOTHING);
  const busy = useRef(false);
  const keep = useCallback(
    (next: Waiting) => {
      now.current = next;
      writeOutbox(localStorage, classId, next);
      setWaiting(next);
    },
    [classId],
  );
  const keepRefused = useCallback(
    (next: Refused | null) => {
      writeRefused(localStorage, classId, next);
      setRefused(next);
    },
    [classId],
  );
  const flush = useCallback(async () => {
    if (busy.current || isEmpty(now.current)) return;
    busy.current = true;
    const sent = now.current;
    const { arrived, refused: not, last } = await deliver(classId, sent);
    busy.current = false;
    setShutOut(last.kind === "shut out" ? last.message : null);
    if (last.kind === "taken") setTrouble(last.trouble);
    // A refused item is kept before it stops waiting.
    if (not) {
      const before = readRefused(localStorage, classId);
      keepRefused({ ...not, items: together(before?.items ?? NOTHING, not.items) });
    }
    keep(without(now.current, together(arrived, not?.items ?? NOTHING)));
    if (!isEmpty(now.current) && last.kind === "taken") void flush();
  }, [classId, keep, keepRefused]);
  useEffect(() => {
    // Taps from before the page was loaded again come first.
    keep(together(readOutbox(localStorage, classId), now.current));
    setRefused(readRefused(localStorage, classId));
    void flush();
    const timer = setInterval(() => void flush(), AGAIN);
    const online = () => void flush();
    window.addEventListener("online", online);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", online);
    };
  }, [classId, keep, flush]);
  const add = (more: Waiting) => {
    keep(together(now.current, more));
    void flush();
  };
  return { waiting, add, refused, leaveRefused: () => keepRefused(null), shutOut, trouble };
}

/** The server's clock: from its answers, compared again every minute and after sleep. */
function useServerClock(classId: string, serverNow: number) {
  const offset = useRef(0);
  const compared = useRef(false);
  const rough = useRef(serverNow - Date.now());
  // A page that comes out of the cache was made long ago: what it says of the server's clock is not known to be true.
  const found = useRef(false);
  useEffect(() => {
    // The figure found while there was a network is nearer.
    const before = readOffset(localStorage);
    rough.current = before ?? rough.current;
    found.current = before !== null;
    const compare = () =>
      void askOffset(`/class/${classId}/floor/items`).then((between) => {
        if (between === null) return;
        offset.current = between;
        compared.current = true;
        writeOffset(localStorage, between);
      });
    compare();
    const timer = setInterval(compare, COMPARE);
    const seen = () => document.visibilityState === "visible" && compare();
    document.addEventListener("visibilitychange", seen);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", seen);
    };
  }, [classId]);
  const begun = useRef(false);
  useEffect(() => {
    begun.current = true;
  }, []);
  return {
    // The first picture is that of the server, to the millisecond: what it drew and what the page draws are one.
    now: () => (begun.current ? Date.now() + (compared.current ? offset.current : rough.current) : serverNow),
    /** What the device's own clock shows, while nothing better is known. */
    raw: () => (compared.current || found.current ? {} : { raw: Date.now() }),
    setOffset: (now: number) => {
      if (!compared.current) rough.current = now - Date.now();
    },
  };
}

type LiveNews = FloorNews & { readonly now: number };

/**
 * Loads the page again where a newer plan was heard of than the one that is shown. While something is loading or being sent
 * it waits: to begin again in the middle would break off what is on its way. Gives what is called when a plan was heard
 * of, and what asks once more for one that could not be loaded.
 */
function useNewestPlan(version: number) {
  const newest = useRef(version);
  const asked = useRef(version);
  const { revalidate, state } = useRevalidator();
  const sending = useFetchers().length > 0;
  const isBusy = sending || state !== "idle";
  const now = useRef({ version, isBusy });
  now.current = { version, isBusy };
  const again = useCallback(() => {
    if (now.current.isBusy || newest.current <= now.current.version) return;
    asked.current = newest.current;
    void revalidate();
  }, [revalidate]);
  const hear = useCallback(
    (heard: number) => {
      newest.current = Math.max(newest.current, heard);
      again();
    },
    [again],
  );
  useEffect(() => {
    // A plan heard of while another was loading; one that failed waits for its turn.
    if (!isBusy && newest.current > asked.current) again();
  }, [isBusy, again]);
  return { hear, again };
}

/** Hears what happens on other devices; the page is loaded again where the plan is another one. True while it hears. */
function useLive(classId: string, begin: LiveNews, onNews: (news: LiveNews) => void): boolean {
  const [isLive, setLive] = useState(false);
  const heard = useRef(onNews);
  heard.current = onNews;
  const { hear, again } = useNewestPlan(begin.version);
  const seq = useRef(begin.seq);
  useEffect(() => {
    let source: EventSource | null = null;
    // Not by the clock of the day: that may be set while somebody listens.
    let last = 0;
    const hears = () => {
      last = performance.now();
      setLive(true);
    };
    const alone = () => setLive(false);
    const open = () => {
      source?.close();
      last = performance.now();
      source = new EventSource(`/class/${classId}/floor/live?since=${seq.current}`);
      source.onopen = hears;
      source.onerror = alone;
      source.addEventListener("alive", hears);
      source.onmessage = ({ data }: MessageEvent<string>) => {
        hears();
        const news = JSON.parse(data) as LiveNews;
        seq.current = Math.max(seq.current, news.seq);
        heard.current(news);
        hear(news.version);
      };
    };
    open();
    // A connection that was lost on the way says nothing any more, not even that it is lost.
    const watch = setInterval(() => {
      // What could not be loaded before is asked for again.
      again();
      if (performance.now() - last < SILENT) return;
      alone();
      open();
    }, SILENT / 3);
    // News that was on its way when the network went says nothing about the connection.
    const lost = () => {
      source?.close();
      alone();
    };
    window.addEventListener("offline", lost);
    window.addEventListener("online", open);
    return () => {
      clearInterval(watch);
      window.removeEventListener("offline", lost);
      window.removeEventListener("online", open);
      source?.close();
    };
  }, [classId, hear, again]);
  return isLive;
}
