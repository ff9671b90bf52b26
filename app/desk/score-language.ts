/** The notation as a language of the editor: highlighting and completion. */
import { autocompletion } from "@codemirror/autocomplete";
import { HighlightStyle, LanguageSupport, LRLanguage, syntaxHighlighting } from "@codemirror/language";
import { styleTags, tags as t } from "@lezer/highlight";
import { parser } from "#core/score/score-parser.ts";
import { completer, type Asks } from "./completion.ts";

const language = LRLanguage.define({
  name: "score",
  parser: parser.configure({
    props: [
      styleTags({
        HeaderKey: t.propertyName,
        HeaderValue: t.string,
        SectionWord: t.keyword,
        FormWord: t.propertyName,
        WrongWord: t.deleted,
        "AnyTimeWord LandsWord GameWord": t.keyword,
        GameName: t.heading,
        "GameKey GamePlayKey": t.propertyName,
        Note: t.quote,
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
  { tag: t.deleted, class: "score-wrong" },
  { tag: t.quote, class: "score-note" },
  { tag: t.number, class: "score-label" },
]);

/** Language, colours and completion; names may still be loading when the editor opens. */
export const scoreLanguage = (asks: Asks): LanguageSupport =>
  new LanguageSupport(language, [
    syntaxHighlighting(style),
    autocompletion({ override: [completer(asks)], icons: false, maxRenderedOptions: 40 }),
  ]);
