/** Keeps a drill saved: by itself after a pause, on a key, and again when a lost connection is back. */
import { useCallback, useEffect, useRef, useState } from "react";
import { dropDraft } from "./drafts.ts";

/** Quiet after the last key stroke before it saves by itself, ms. */
const PAUSE = 2500;
/** First wait before a failed save is tried again, and the longest, ms. */
const AGAIN = 3000;
const AGAIN_MOST = 30_000;

interface Theirs {
  readonly text: string;
  readonly author: string;
  readonly version: number;
}
type Result =
  | { readonly kind: "saved"; readonly version: number }
  | { readonly kind: "conflict"; readonly theirs: Theirs }
  | { readonly kind: "gone" }
  | { readonly kind: "failed"; readonly message: string };

export type SaveState =
  | { readonly kind: "idle" }
  | { readonly kind: "saving" }
  /** The server cannot be reached; it is tried again by itself. */
  | { readonly kind: "offline" }
  | { readonly kind: "conflict"; readonly theirs: Theirs }
  | { readonly kind: "gone" }
  | { readonly kind: "failed"; readonly message: string };

interface Options {
  readonly id: string;
  readonly text: string;
  readonly saved: { readonly text: string; readonly version: number };
  /** Nothing is saved by itself: it is not decided yet which text is meant. */
  readonly hold: boolean;
  /** Another window of this browser saved a text that this one has not changed. */
  readonly onNewer: (text: string) => void;
}

interface Told {
  readonly text: string;
  readonly version: number;
}

export function useSaving({ id, text, saved, hold, onNewer }: Options) {
  const [base, setBase] = useState(saved);
  const [state, setState] = useState<SaveState>({ kind: "idle" });
  const latest = useRef({ text, base, onNewer });
  useEffect(() => {
    latest.current = { text, base, onNewer };
  });
  const running = useRef(false);
  const waits = useRef(AGAIN);
  const channel = useRef<BroadcastChannel | null>(null);

  const send = useCallback(
    async (what: string, version: number, auto: boolean) => {
      if (running.current) return;
      running.current = true;
      setState({ kind: "saving" });
      let result: Result | null;
      try {
        const body = JSON.stringify({ revisionId: crypto.randomUUID(), version, text: what, auto });
        const response = await fetch(`/drills/${id}/save`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body,
        });
        result = await answerOf(response);
      } catch {
        result = null;
      }
      running.current = false;
      if (!result) return setState({ kind: "offline" });
      waits.current = AGAIN;
      if (result.kind !== "saved") return setState(result);
      setState({ kind: "idle" });
      setBase({ text: what, version: result.version });
      if (latest.current.text === what) dropDraft(id);
      channel.current?.postMessage({ text: what, version: result.version } satisfies Told);
    },
    [id],
  );

  // Another window of this browser: a text that nobody touched here simply follows.
  useEffect(() => {
    if (typeof BroadcastChannel === "undefined") return;
    const here = new BroadcastChannel(`vicissor.drill.${id}`);
    channel.current = here;
    here.onmessage = ({ data }: MessageEvent<Told>) => {
      const now = latest.current;
      if (now.text !== now.base.text || data.version <= now.base.version) return;
      setBase(data);
      now.onNewer(data.text);
    };
    return () => {
      here.close();
      channel.current = null;
    };
  }, [id]);

  const dirty = text !== base.text;
  const settled = state.kind === "conflict" || state.kind === "gone";
  useEffect(() => {
    if (!dirty || hold || settled || state.kind === "saving") return;
    const wait = state.kind === "idle" ? PAUSE : waits.current;
    if (state.kind !== "idle") waits.current = Math.min(AGAIN_MOST, waits.current * 2);
    const timer = setTimeout(() => void send(text, base.version, true), wait);
    const now = () => void send(latest.current.text, latest.current.base.version, true);
    if (state.kind === "offline") window.addEventListener("online", now);
    return () => {
      clearTimeout(timer);
      window.removeEventListener("online", now);
    };
  }, [dirty, hold, settled, state, text, base.version, send]);

  const save = useCallback(
    (version = latest.current.base.version, what = latest.current.text) => void send(what, version, false),
    [send],
  );
  return { base, state, dirty, save };
}

/** What the server answered; where it could not say anything itself, that it could not save. */
async function answerOf(response: Response): Promise<Result> {
  const said = (await response.json().catch(() => null)) as Result | null;
  if (said && (response.ok || said.kind === "failed")) return said;
  return { kind: "failed", message: "The server could not save this. Try again in a moment; your text is kept here." };
}

/** The state of saving in words. */
export function saveWords({ kind }: SaveState, dirty: boolean, version: number): string {
  switch (kind) {
    case "saving":
      return "Saving…";
    case "offline":
      return "No connection: kept on this device, saved when it is back";
    case "conflict":
    case "gone":
    case "failed":
      return "Not saved; kept on this device";
    case "idle":
      return dirty ? "Unsaved changes, kept on this device" : `Saved, revision ${version}`;
  }
}
