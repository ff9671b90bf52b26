/** Pads with sensors on this device: a web socket or MIDI in, what was called and what was hit. */
import type { CallItem } from "#core/calls/calls.ts";
import { useEffect, useMemo, useRef, useState } from "react";
import {
  answersTo,
  callOfPad,
  readMidi,
  readPadMessage,
  type PadCall,
  type PadHit,
  type PadMessage,
} from "#core/floor/pads.ts";

export const USUAL_ADDRESS = "ws://127.0.0.1:4396";
/** So many calls and hits are kept. */
const MOST = 500;

export interface Pads {
  readonly state: "off" | "waits" | "on";
  /** What the device calls itself. */
  readonly name: string;
  readonly trouble: string | null;
  readonly connect: (address: string) => void;
  readonly midi: () => void;
  readonly end: () => void;
  /** Something is called at a moment of this device's clock, ms. */
  readonly call: (label: string, at: number) => void;
  readonly answers: ReturnType<typeof answersTo>;
  readonly clear: () => void;
}

/** Listens to all instruments that are plugged in: the name of the first, null where there is none, and how to stop. */
async function listenToMidi(heard: (message: PadMessage | null) => void) {
  const { inputs } = await navigator.requestMIDIAccess();
  const listening = [...inputs.values()];
  for (const input of listening) input.onmidimessage = ({ data }) => heard(data && readMidi(data));
  return {
    name: listening.length === 0 ? null : (listening[0]!.name ?? "MIDI"),
    close: () => listening.forEach((input) => (input.onmidimessage = null)),
  };
}

/** The last calls and hits, and how they belong together. */
function useAnswered() {
  const [calls, setCalls] = useState<readonly PadCall[]>([]);
  const [hits, setHits] = useState<readonly PadHit[]>([]);
  const answers = useMemo(() => answersTo(calls, hits), [calls, hits]);
  return {
    answers,
    addCall: (call: PadCall) => setCalls((all) => [...all, call].slice(-MOST)),
    addHit: (hit: PadHit) => setHits((all) => [...all, hit].slice(-MOST)),
    clear: () => {
      setCalls([]);
      setHits([]);
    },
  };
}

/** A socket that opens; null for what is no address of one. */
function socketTo(address: string): WebSocket | null {
  try {
    return new WebSocket(address);
  } catch {
    return null;
  }
}

const labelsOf = (called: readonly CallItem[]): string[] =>
  [...new Set(called.flatMap(({ kind, label }) => (kind === "call" ? [label] : [])))].sort();

/** `called`: what is called in the round. */
export function usePads(called: readonly CallItem[]): Pads {
  const labels = useMemo(() => labelsOf(called), [called]);
  const [state, setState] = useState<Pads["state"]>("off");
  const [name, setName] = useState("");
  const [trouble, setTrouble] = useState<string | null>(null);
  const { answers, clear, addCall, addHit } = useAnswered();
  const socket = useRef<WebSocket | null>(null);
  const pads = useRef<readonly string[]>([]);
  const wanted = useRef(labels);
  wanted.current = labels;
  const closeMidi = useRef<() => void>(() => undefined);
  const heard = (message: PadMessage | null) => {
    if (message?.kind === "hello") {
      pads.current = message.pads;
      setName(message.name);
    }
    if (message?.kind !== "hit") return;
    // Notes have no names: pads are in the order in which they are first hit.
    if (!pads.current.includes(message.pad)) pads.current = [...pads.current, message.pad];
    const label = callOfPad(message.pad, pads.current, wanted.current);
    addHit({ label, at: Date.now() - message.age, force: message.force });
  };
  const end = () => {
    socket.current?.close();
    socket.current = null;
    closeMidi.current();
    setState("off");
  };
  useEffect(() => end, []);
  const tell = (message: object) => {
    if (socket.current?.readyState === WebSocket.OPEN) socket.current.send(JSON.stringify(message));
  };
  const known = labels.join("\n");
  useEffect(() => {
    if (state === "on" && labels.length > 0) tell({ kind: "labels", labels });
  }, [state, known]); // eslint-disable-line react-hooks/exhaustive-deps
  const connect = (address: string) => {
    end();
    setTrouble(null);
    const opened = socketTo(address);
    if (!opened) return setTrouble("This is no address of a web socket: it looks like ws://127.0.0.1:4396.");
    socket.current = opened;
    setState("waits");
    opened.onopen = () => setState("on");
    opened.onmessage = ({ data }) => heard(readPadMessage(String(data)));
    opened.onclose = () => {
      if (socket.current !== opened) return;
      socket.current = null;
      setState("off");
      setTrouble("The pads do not answer. Are they switched on, on this machine? bin/pads plays a made-up set.");
    };
  };
  const midi = () => {
    end();
    setTrouble(null);
    pads.current = [];
    setState("waits");
    void listenToMidi(heard).then(
      ({ name, close }) => {
        closeMidi.current = close;
        setName(name ?? "");
        setState(name === null ? "off" : "on");
        if (name === null) setTrouble("No MIDI instrument is plugged in.");
      },
      () => {
        setState("off");
        setTrouble("The browser does not let this page listen to MIDI.");
      },
    );
  };
  return {
    ...{ state, name, trouble, connect, midi, end, answers, clear },
    call: (label, at) => {
      if (state !== "on") return;
      addCall({ label, at });
      // A call is put on the graph ahead: the pads hear of it when everybody does.
      setTimeout(() => tell({ kind: "call", label }), Math.max(0, at - Date.now()));
    },
  };
}
