/** Calls as shipped words on the same graph as the bells; where a word is not shipped, the browser's voice says it. */
import { voiceFile, voicePieces } from "#core/floor/voice.ts";
import { say } from "./player.ts";

/** The words that come with the application, or the voice of the browser. */
export type Voice = "ours" | "browser";

/** Between two words of one call, s. */
const GAP = 0.02;

let known: Promise<ReadonlySet<string>> | null = null;
const shipped = (): Promise<ReadonlySet<string>> =>
  (known ??= fetch("/voice/index.json")
    .then(async (found) => new Set(found.ok ? ((await found.json()) as string[]) : []))
    .catch(() => new Set<string>()));

/** Words of one page, read once each. */
export class Speaker {
  private readonly buffers = new Map<string, AudioBuffer>();
  private words: ReadonlySet<string> = new Set();

  constructor(
    private readonly context: BaseAudioContext,
    private readonly out: AudioNode,
  ) {}

  /** Reads the words of calls before they are needed; what cannot be read is said by the browser. */
  async prepare(calls: readonly string[]): Promise<void> {
    this.words = await shipped();
    const wanted = new Set(calls.flatMap((call) => voicePieces(call, this.words) ?? []));
    await Promise.all([...wanted].map((word) => this.read(word)));
  }

  private async read(word: string): Promise<void> {
    if (this.buffers.has(word)) return;
    const found = await fetch(`/voice/${encodeURIComponent(voiceFile(word))}.wav`).catch(() => null);
    if (found?.ok) this.buffers.set(word, await this.context.decodeAudioData(await found.arrayBuffer()));
  }

  /** Says a call at a moment of the context, s, as loud as the graph is. */
  say(call: string, at: number, voice: Voice, volume: number): void {
    const pieces = voice === "ours" ? voicePieces(call, this.words) : null;
    const buffers = pieces?.flatMap((word) => this.buffers.get(word) ?? []);
    if (!buffers || buffers.length !== pieces?.length) return say(call, volume);
    let from = at;
    for (const buffer of buffers) {
      const source = this.context.createBufferSource();
      source.buffer = buffer;
      source.connect(this.out);
      source.start(from);
      from += buffer.duration + GAP;
    }
  }
}
