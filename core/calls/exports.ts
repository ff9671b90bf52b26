/** A round of calls in open formats: text, CSV (RFC 4180), WebVTT, Standard MIDI File. */
import type { CallItem } from "./calls.ts";

const WORDS = { call: "", feint: "feint ", switch: "" } as const;
const words = ({ kind, label, by }: CallItem): string =>
  kind === "switch" ? label : `${WORDS[kind]}${by ? `${by}: ` : ""}${label}`;
const clock = (s: number): string =>
  `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, "0")}.${Math.floor((s % 1) * 10)}`;

/** One call to a row, with its time. */
export const callsText = (items: readonly CallItem[]): string =>
  `${items.map((item) => `${clock(item.at).padStart(7)}  ${words(item)}`).join("\n")}\n`;

const cell = (text: string): string => (/[",\r\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text);

/** Columns: seconds from the start, kind, label. */
export const callsCsv = (items: readonly CallItem[]): string =>
  `${["seconds,kind,label", ...items.map((i) => [i.at.toFixed(2), i.kind, cell(i.label)].join(","))].join("\r\n")}\r\n`;

/** Longest time a call stays on a screen, s. */
const SHOWN = 2.5;
const stamp = (s: number): string => {
  const ms = Math.round(s * 1000);
  const part = (n: number, digits = 2) => String(Math.floor(n)).padStart(digits, "0");
  return `${part(ms / 3_600_000)}:${part((ms / 60_000) % 60)}:${part((ms / 1000) % 60)}.${part(ms % 1000, 3)}`;
};
const escaped = (text: string): string => text.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(/>/g, "&gt;");

/** Captions with each call at its time, until the next one. */
export function callsVtt(items: readonly CallItem[]): string {
  const cues = items.map((item, i) => {
    const next = items[i + 1]?.at ?? Infinity;
    const end = Math.max(item.at + 0.1, Math.min(item.at + SHOWN, next));
    return `${i + 1}\n${stamp(item.at)} --> ${stamp(end)}\n${escaped(words(item))}\n`;
  });
  return `WEBVTT\n\n${cues.join("\n")}`;
}

/** Ticks of a quarter note, and quarters of a second: 120 a minute. */
const DIVISION = 480;
const PER_SECOND = 2 * DIVISION;
/** Channel 10 is percussion; wood blocks and a bell of the General MIDI drum map. */
const NOTE = { call: 76, feint: 77, switch: 53 } as const;
const LENGTH = 60;

/** A click for each call with its words as a lyric: format 0, one track. */
export function callsMidi(items: readonly CallItem[], title: string): Uint8Array {
  const track: number[] = [];
  let last = 0;
  const at = (tick: number, ...bytes: number[]) => {
    track.push(...variable(Math.max(0, tick - last)), ...bytes);
    last = Math.max(last, tick);
  };
  const meta = (tick: number, type: number, data: readonly number[]) =>
    at(tick, 0xff, type, ...variable(data.length), ...data);
  meta(0, 0x03, utf8(title));
  meta(0, 0x51, [0x07, 0xa1, 0x20]);
  for (const item of items) {
    const tick = Math.round(item.at * PER_SECOND);
    meta(tick, 0x05, utf8(words(item)));
    at(tick, 0x99, NOTE[item.kind], 100);
    at(tick + LENGTH, 0x89, NOTE[item.kind], 0);
  }
  meta(last + DIVISION, 0x2f, []);
  const ascii = (text: string) => [...text].map((c) => c.charCodeAt(0));
  const four = (n: number) => [n >>> 24, (n >>> 16) & 255, (n >>> 8) & 255, n & 255];
  return Uint8Array.from([
    ...ascii("MThd"),
    ...four(6),
    0,
    0,
    0,
    1,
    DIVISION >>> 8,
    DIVISION & 255,
    ...ascii("MTrk"),
    ...four(track.length),
    ...track,
  ]);
}

/** A number in sevens of bits, all but the last with the top bit set. */
function variable(n: number): number[] {
  const bytes = [n & 127];
  for (let rest = n >>> 7; rest > 0; rest >>>= 7) bytes.unshift((rest & 127) | 128);
  return bytes;
}

/** Bytes of a text in UTF-8; core has no text encoder. */
function utf8(text: string): number[] {
  return [...encodeURIComponent(text).matchAll(/%([0-9A-F]{2})|[^%]/g)].map((m) =>
    m[1] === undefined ? m[0].charCodeAt(0) : Number.parseInt(m[1], 16),
  );
}
