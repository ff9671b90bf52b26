/** One check worker for the page, with answers as promises. Browser only. */
import type { Answer, Ask, Cancel, Work, WorkKind } from "./protocol.ts";

interface Settle {
  readonly resolve: (payload: never) => void;
  readonly reject: (error: Error) => void;
  readonly progress: ((share: number) => void) | undefined;
}

interface Settings {
  readonly settings: unknown;
  readonly version: number;
}

let worker: Worker | null = null;
let lastId = 0;
let school: Settings = { settings: {}, version: 0 };
const open = new Map<number, Settle>();

function getWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("./check.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }: MessageEvent<Answer>) => {
    const settle = open.get(data.id);
    if (data.progress !== undefined) return settle?.progress?.(data.progress);
    open.delete(data.id);
    if (!settle) return;
    if (data.error === null) settle.resolve(data.payload as never);
    else settle.reject(new Error(data.error));
  };
  worker.onerror = () => {
    for (const settle of open.values()) settle.reject(new Error("The checker stopped. Reload the page."));
    open.clear();
    worker = null;
  };
  post("school", { settings: school.settings }, ++lastId);
  return worker;
}

function post<K extends WorkKind>(kind: K, payload: Work[K]["ask"], id: number): void {
  worker!.postMessage({ id, kind, payload } as Ask);
}

/** Keeps the worker on the school's settings. Called while the page is drawn, so that it comes before every other ask. */
export function useSchoolSettings(settings: Settings): void {
  if (typeof window === "undefined" || settings.version === school.version) return;
  school = settings;
  if (worker) post("school", { settings: school.settings }, ++lastId);
}

interface AskOptions {
  /** Takes back what was asked under the same name and is not answered yet: that promise never settles. */
  readonly replaces?: string;
  /** Called with the share done, 0 to 1, on long work. */
  readonly progress?: (share: number) => void;
  /** Ends long work; the promise is then rejected. */
  readonly signal?: AbortSignal;
}

/** Asks still open by the name they replace each other under. */
const newest = new Map<string, number>();

function takeBack(id: number): boolean {
  if (!open.delete(id)) return false;
  worker?.postMessage({ cancel: id } satisfies Cancel);
  return true;
}

/** Asks the worker. */
export function ask<K extends WorkKind>(
  kind: K,
  payload: Work[K]["ask"],
  { replaces, progress, signal }: AskOptions = {},
): Promise<Work[K]["answer"]> {
  const id = ++lastId;
  if (replaces !== undefined) {
    takeBack(newest.get(replaces) ?? 0);
    newest.set(replaces, id);
  }
  return new Promise((resolve, reject) => {
    open.set(id, { resolve: resolve as Settle["resolve"], reject, progress });
    getWorker();
    post(kind, payload, id);
    signal?.addEventListener("abort", () => {
      if (takeBack(id)) reject(new DOMException("Cancelled", "AbortError"));
    });
  });
}
