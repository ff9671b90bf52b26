/** The notation as a language of the editor: highlighting and completion. */
import { autocompletion, type CompletionContext, type CompletionResult } from "@codemirror/autocomplete";
import { HighlightStyle, LanguageSupport, LRLanguage, syntaxHighlighting } from "@codemirror/language";
import { styleTags, tags as t } from "@lezer/highlight";
import { parser } from "#core/score/score-parser.ts";
import type { MoveName } from "../workers/questions/words.ts";

const language = LRLanguage.define({
  name: "score",
  parser: parser.configure({
    props: [
      styleTags({
        HeaderKey: t.propertyName,
        HeaderValue: t.string,
        SectionWord: t.keyword,
        SectionName: t.heading,
        BlockHead: t.keyword,
        EndWord: t.keyword,
        Label: t.labelName,
        "Arrow Meet": t.operator,
        "Comma Plus Pipe Semicolon": t.punctuation,
        Comment: t.comment,
        Range: t.number,
        Junk: t.invalid,
      }),
    ],
  }),
  languageData: { commentTokens: { line: "#" } },
});

const style = HighlightStyle.define([
  { tag: t.propertyName, class: "score-key" },
  { tag: t.keyword, class: "score-word" },
  { tag: t.heading, class: "score-section" },
  { tag: t.labelName, class: "score-label" },
  { tag: t.operator, class: "score-arrow" },
  { tag: t.comment, class: "score-comment" },
  { tag: t.number, class: "score-label" },
]);

const MODIFIERS = [
  "lead",
  "rear",
  "left",
  "right",
  "high",
  "mid",
  "low",
  "in",
  "out",
  "to body",
  "to head",
  "to leg",
  "on lead hand",
  "on rear hand",
];
const HEADER_KEYS = [
  "title",
  "kind",
  "level",
  "range",
  "tempo",
  "contact",
  "context",
  "formation",
  "numbering",
  "tradition",
  "focus",
  "mats",
  "rules A",
  "rules B",
  "A",
  "B",
];
const BLOCKS = ["section ", "loop x4:", "loop swap x4:", "choose A:", "choose call:", "carry:", "end"];

function completer(names: () => readonly MoveName[]) {
  return (context: CompletionContext): CompletionResult | null => {
    const row = context.state.doc.lineAt(context.pos);
    const before = row.text.slice(0, context.pos - row.from);
    if (/^\s*[\w ]*$/.test(before) && !/^\s*(?:[abc]|both)\s/i.test(before)) {
      const from = row.from + (before.length - before.trimStart().length);
      if (before.trim() === "" && !context.explicit) return null;
      const options = [
        ...HEADER_KEYS.map((key) => ({ label: `${key}: `, type: "property" })),
        ...BLOCKS.map((label) => ({ label, type: "keyword" })),
      ];
      return { from, options, validFor: /^[\w ]*$/ };
    }
    // Since the last sign of the notation the words are a move and its modifiers.
    const part = /(?:^|[,+|;:]|->|→|<>|>)\s*(?:(?:[abc]|both)\s+)?([\w' -]*)$/i.exec(before);
    if (!part) return null;
    const typed = part[1]!;
    const last = /[\w'-]*$/.exec(typed)![0];
    if (last === "" && !context.explicit) return null;
    const modifiers =
      /\s/.test(typed.trim()) || /\s$/.test(typed) || typed.includes(" ")
        ? MODIFIERS.map((label) => ({ label, type: "modifier", boost: 1 }))
        : [];
    const options = [
      ...modifiers,
      ...names().map((n) => ({ label: n.name, detail: n.group, info: n.hint, type: "move" })),
    ];
    return { from: context.pos - last.length, options, validFor: /^[\w' -]*$/ };
  };
}

/** Language, colours and completion; `names` may still be loading when the editor opens. */
export const scoreLanguage = (names: () => readonly MoveName[]): LanguageSupport =>
  new LanguageSupport(language, [
    syntaxHighlighting(style),
    autocompletion({ override: [completer(names)], icons: false, maxRenderedOptions: 40 }),
  ]);
