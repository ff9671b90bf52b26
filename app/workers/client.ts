/** One check worker for the page, with answers as promises. Browser only. */
import type { Answer, Ask, Work, WorkKind } from "./protocol.ts";

type Settle = { resolve: (payload: never) => void; reject: (error: Error) => void };

let worker: Worker | null = null;
let lastId = 0;
const open = new Map<number, Settle>();

function getWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL("./check.worker.ts", import.meta.url), { type: "module" });
  worker.onmessage = ({ data }: MessageEvent<Answer>) => {
    const settle = open.get(data.id);
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
  return worker;
}

/** Asks the worker. A check overtaken by a newer one of the same page is never answered. */
export function ask<K extends WorkKind>(kind: K, payload: Work[K]["ask"], docVersion = 0): Promise<Work[K]["answer"]> {
  const id = ++lastId;
  return new Promise((resolve, reject) => {
    open.set(id, { resolve: resolve as Settle["resolve"], reject });
    getWorker().postMessage({ id, docVersion, schoolVersion: 1, kind, payload } as Ask);
  });
}
