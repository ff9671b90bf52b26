/** `vicissor read`: what lines in plain words mean as rows of play. */
import { readPlain, type PlainLine } from "#core/plain/read-plain.ts";
import { readText, schoolFrom, type Common } from "./options.ts";

export function runRead(file: string, options: Common): number {
  const lines = readPlain(readText(file), [], schoolFrom(options.school));
  if (options.json) console.log(JSON.stringify(lines));
  else for (const line of lines) console.log(wordsOf(line));
  return lines.every(({ proposals, question }) => proposals.length > 0 || question !== null) ? 0 : 1;
}

function wordsOf({ line, source, proposals, question, kept }: PlainLine): string {
  const [first] = proposals;
  if (!first) return `${line}: not understood: ${source.trim()}`;
  const rows = question
    ? [`${line}: ${question.text}`, ...question.choices.map((row) => `   ${row}`)]
    : [`${line}: ${first.text}   ${first.verdict}`];
  return [...rows, ...(kept.length > 0 ? [`   kept: ${kept.join("; ")}`] : [])].join("\n");
}
