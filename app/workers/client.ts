/** One check worker for the page, with answers as promises. Browser only. */
import type { Answer, Ask, Work, WorkKind } from "./protocol.ts";

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
  post("school", { settings: school.settings }, 0, ++lastId);
  return worker;
}

function post<K extends WorkKind>(kind: K, payload: Work[K]["ask"], docVersion: number, id: number): void {
  worker!.postMessage({ id, docVersion, schoolVersion: school.version, kind, payload } as Ask);
}

/** Keeps the worker on the school's settings. Called while the page is drawn, so that it comes before every other ask. */
export function useSchoolSettings(settings: Settings): void {
  if (typeof window === "undefined" || settings.version === school.version) return;
  school = settings;
  if (worker) post("school", { settings: school.settings }, 0, ++lastId);
}

export interface AskOptions {
  /** Version of the text asked about: a check overtaken by a newer one is never answered. */
  readonly docVersion?: number;
  /** Called with the share done, 0 to 1, on long work. */
  readonly progress?: (share: number) => void;
  /** Ends long work; the promise is then rejected. */
  readonly signal?: AbortSignal;
}

/** Asks the worker. A check overtaken by a newer one of the same page is never answered. */
export function ask<K extends WorkKind>(
  kind: K,
  payload: Work[K]["ask"],
  { docVersion = 0, progress, signal }: AskOptions = {},
): Promise<Work[K]["answer"]> {
  const id = ++lastId;
  return new Promise((resolve, reject) => {
    open.set(id, { resolve: resolve as Settle["resolve"], reject, progress });
    getWorker();
    post(kind, payload, docVersion, id);
    signal?.addEventListener("abort", () => {
      if (!open.delete(id)) return;
      worker?.postMessage({ cancel: id });
      reject(new DOMException("Cancelled", "AbortError"));
    });
  });
}
