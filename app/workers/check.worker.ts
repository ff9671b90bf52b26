/** Reads, checks and varies scores off the page's thread. */
import { defaultSchool } from "#core/school/school.ts";
import { check } from "#core/check/check.ts";
import { scoreView } from "#core/formats/desk-view.ts";
import { format } from "#core/score/format.ts";
import { ScoreReader } from "#core/score/parse.ts";
import { rankAnswers } from "#core/vary/answers.ts";
import { headerRows } from "#core/vary/edit.ts";
import { refute } from "#core/vary/refute.ts";
import { vary, type Variation } from "#core/vary/vary.ts";
import type { Answer, AnswerView, Ask, MoveName, VariationView, Work, WorkKind } from "./protocol.ts";

const reader = new ScoreReader();
const school = defaultSchool();
const scope = self as unknown as DedicatedWorkerGlobalScope;

/** The newest version of the text that was asked for: older asks in the queue need no work. */
let newest = 0;
const waiting: Ask[] = [];

scope.onmessage = ({ data }: MessageEvent<Ask>) => {
  if (data.kind === "check") newest = Math.max(newest, data.docVersion);
  waiting.push(data);
  // Later messages are read first, so that a burst of key strokes costs one check.
  if (waiting.length === 1) setTimeout(work, 0);
};

function work() {
  for (const ask of waiting.splice(0)) {
    if (ask.kind === "check" && ask.docVersion < newest) continue;
    let answer: Answer;
    try {
      answer = { id: ask.id, docVersion: ask.docVersion, payload: run(ask), error: null };
    } catch (error) {
      answer = {
        id: ask.id,
        docVersion: ask.docVersion,
        payload: null,
        error: error instanceof Error ? error.message : "unknown",
      };
    }
    scope.postMessage(answer);
  }
}

function run(ask: Ask): Work[WorkKind]["answer"] {
  switch (ask.kind) {
    case "check":
      return scoreView(check(reader.read(ask.payload.text), school));
    case "names":
      return names();
    case "answers":
      return answers(ask.payload.text, ask.payload.feed);
    case "refute":
      return refute(check(reader.read(ask.payload.text), school), school);
    case "format":
      return format(reader.read(ask.payload.text));
    case "vary": {
      const base = check(reader.read(ask.payload.text), school);
      const { good, broken } = vary(base, school);
      return { good: good.map(variationView), broken: broken.map(variationView), partial: base.verdict === "broken" };
    }
  }
}

const variationView = (v: Variation): VariationView => ({
  operator: v.operator,
  parameters: v.parameters,
  text: v.text,
  changed: v.changed,
  view: scoreView(v.checked),
});

function answers(text: string, feed: string): AnswerView[] {
  return rankAnswers(headerRows(reader.read(text)), feed, school).map(({ text: answer, move, exchange }) => ({
    text: answer,
    group: move.group,
    verdict: exchange.verdict === "risky" ? "risky" : "valid",
    marginCm: Math.round((exchange.margin ?? 0) * 1000) / 10,
    ceiling: exchange.ceiling,
    open: exchange.followUps.filter((f) => f.state === "open").map((f) => f.move),
  }));
}

function names(): MoveName[] {
  const list: MoveName[] = [];
  for (const move of school.vocabulary.moves.values())
    for (const [tradition, all] of Object.entries(move.names))
      for (const name of all ?? [])
        list.push({
          name,
          group: move.group,
          hint: name === move.name ? (move.coaching[0] ?? "") : `${move.name} (${tradition})`,
        });
  return list;
}
