/** What a walk through a score gathers. */
import { atTempo } from "./late.ts";
import { cachedLine } from "./line-cache.ts";
import type { Frame } from "./prepare.ts";
import type { CheckedGame } from "./game-types.ts";
import { shareOf, type LineShare } from "./shares.ts";
import type { LineResult } from "./walk.ts";
import type { Setting } from "../exchange/exchange.ts";
import type { CheckedExchange } from "../exchange/types.ts";
import { draft, type FindingDraft } from "../findings/finding.ts";
import type { Header } from "../score/header.ts";
import type { ScoreLine } from "../score/types.ts";

/** The exchanges and findings that a walk gathers. */
export interface Found {
  /** Exchanges in order; where only shares are gathered, those of a feeder's choice. */
  readonly exchanges: readonly CheckedExchange[];
  readonly shares: readonly LineShare[];
  readonly showsWrong: boolean;
  say(...findings: readonly FindingDraft[]): void;
  /** A line that starts from the frame: known ones are not walked again. */
  fromFrame(item: ScoreLine, setting: Setting, frame: Frame): void;
  /** A line that shows how it goes wrong. */
  fromWrong(item: ScoreLine, setting: Setting, frame: Frame): void;
  /** A game: what it adds to load and gear; what is wrong with it is said. */
  fromGame(game: CheckedGame, shares: readonly LineShare[]): void;
  /** A line that starts from where the one before ended. */
  take(result: LineResult, item: ScoreLine, setting: Setting): void;
  /** An empty one of the same kind, for a pass whose exchanges only repeat others. */
  emptyCopy(): this;
  /** Takes over what is wrong in such a pass. */
  mergeErrors(other: this): void;
  /** Nothing of it is an error. */
  sound(): boolean;
  /** Returns the limbs that are still held where that alone stops the next pass; takes over its other errors. */
  stopsNext(next: this): readonly string[];
}

/** Every exchange and finding, with its place in the text. */
export class AllFound implements Found {
  readonly exchanges: CheckedExchange[] = [];
  readonly findings: FindingDraft[] = [];
  readonly shares: LineShare[] = [];
  readonly wrong: CheckedExchange[] = [];
  readonly games: CheckedGame[] = [];

  constructor(private readonly header: Header) {}

  get showsWrong(): boolean {
    return this.wrong.length > 0;
  }

  say(...findings: readonly FindingDraft[]): void {
    this.findings.push(...findings);
  }

  fromFrame(item: ScoreLine, setting: Setting, frame: Frame): void {
    this.take(cachedLine(item, setting, frame), item);
  }

  fromWrong(item: ScoreLine, setting: Setting, frame: Frame): void {
    const { exchanges, findings } = cachedLine(item, setting, frame);
    const shown = exchanges.map((e) => atTempo(e, this.header));
    this.wrong.push(...shown);
    const all = [...findings, ...shown.flatMap((e) => e.findings)];
    const holds = shown.length > 0 && all.every(({ severity }) => severity === "note");
    if (holds) this.findings.push(draft(item.row, item.line, "wrong-valid"));
    for (const finding of all) this.findings.push({ ...finding, severity: "note", shownWrong: true });
  }

  fromGame(game: CheckedGame, shares: readonly LineShare[]): void {
    this.games.push(game);
    this.shares.push(...shares);
  }

  take(result: LineResult, { line }: ScoreLine): void {
    for (const e of result.exchanges) this.exchanges.push(atTempo(e, this.header));
    this.findings.push(...result.findings);
    this.shares.push(shareOf(result, line));
  }

  emptyCopy(): this {
    return new AllFound(this.header) as this;
  }

  mergeErrors(other: this): void {
    this.findings.push(...other.findings, ...other.exchanges.flatMap((e) => e.findings));
  }

  sound(): boolean {
    return this.errors().length === 0;
  }

  stopsNext(next: this): readonly string[] {
    const errors = next.errors();
    const pinned = errors.filter(({ rule }) => rule === "limb-pinned");
    if (pinned.length < errors.length) this.mergeErrors(next);
    return [...new Set(pinned.map(({ params: { by, actor, limb } }) => `${by} still holds ${actor}’s ${limb}`))];
  }

  private errors(): readonly FindingDraft[] {
    const all = [...this.findings, ...this.exchanges.flatMap((e) => e.findings)];
    return all.filter(({ severity }) => severity === "error");
  }
}
