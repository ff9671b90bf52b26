/** The score as text: CodeMirror with the notation's language, findings under the words, repairs in place. */
import { defaultKeymap, history, historyKeymap, redo, undo } from "@codemirror/commands";
import { lintKeymap, setDiagnostics, type Diagnostic } from "@codemirror/lint";
import { EditorState } from "@codemirror/state";
import { drawSelection, EditorView, highlightActiveLine, keymap, lineNumbers } from "@codemirror/view";
import { closeBrackets } from "@codemirror/autocomplete";
import Box from "@mui/material/Box";
import { useEffect, useImperativeHandle, useRef, useState, type Ref } from "react";
import type { Finding } from "#core/findings/finding.ts";
import { findingKey } from "#core/findings/finding-key.ts";
import type { RepairsView } from "../workers/questions/checking.ts";
import { ask } from "../workers/client.ts";
import type { MoveName } from "../workers/questions/words.ts";
import { usePalette } from "../ui/palette.ts";
import { pageNonce } from "../ui/nonce.ts";
import { FONTS } from "../ui/theme.ts";
import type { Asks } from "./completion.ts";
import { scoreLanguage } from "./score-language.ts";

export interface EditorHandle {
  /** Selects a place and goes there. */
  select(from: number, to: number): void;
  /** Selects a place and leaves the focus where it is. */
  mark(from: number, to: number): void;
  /** The text as it stands; what is drawn may be a moment behind it. */
  text(): string;
  apply(edits: readonly { from: number; to: number; insert: string }[]): void;
  replaceAll(text: string): void;
  undo(): void;
  redo(): void;
}

interface EditorProps {
  readonly text: string;
  readonly findings: readonly Finding[];
  readonly repairs: RepairsView;
  readonly onChange: (text: string) => void;
  readonly onCursor: (place: number) => void;
  readonly ref: Ref<EditorHandle>;
}

const SEVERITY = { error: "error", risk: "warning", note: "info" } as const;

/** A row that is being typed is not part of the header: the feed is asked about beside it. */
const holding: Asks["holding"] = (text, feed) => ask("answers", { text, feed }, { replaces: "completion" });

/** The names of moves for what is typed: until somebody comes to the text, the checker need not be there. */
function lateNames() {
  let list: readonly MoveName[] = [];
  let asked = false;
  return {
    known: () => list,
    read: () => {
      if (asked) return;
      asked = true;
      void ask("names", {}).then(
        (found) => (list = found),
        () => undefined,
      );
    },
  };
}

export default function ScoreEditor({ text, findings, repairs, onChange, onCursor, ref }: EditorProps) {
  const host = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const [names] = useState(lateNames);
  const told = useRef({ onChange, onCursor });
  useEffect(() => {
    told.current = { onChange, onCursor };
  });

  useEffect(() => {
    const editor = new EditorView({
      parent: host.current!,
      state: EditorState.create({
        doc: text,
        extensions: [
          EditorView.cspNonce.of(pageNonce() ?? ""),
          lineNumbers(),
          history(),
          drawSelection(),
          highlightActiveLine(),
          closeBrackets(),
          // Tab leaves the text (WCAG 2.1.2); Ctrl and ] indents.
          keymap.of([...defaultKeymap, ...historyKeymap, ...lintKeymap]),
          scoreLanguage({ names: names.known, holding }),
          EditorView.lineWrapping,
          EditorView.contentAttributes.of({ "aria-label": "Score of the drill", spellcheck: "false", tabindex: "0" }),
          EditorView.updateListener.of((update) => {
            if (update.focusChanged || update.docChanged) names.read();
            if (update.docChanged) told.current.onChange(update.state.doc.toString());
            if (update.selectionSet || update.docChanged) told.current.onCursor(update.state.selection.main.head);
          }),
        ],
      }),
    });
    view.current = editor;
    return () => {
      editor.destroy();
      view.current = null;
    };
    // The editor owns the text once it is open.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);

  // A text from outside (a draft found again) replaces what the editor opened with.
  useEffect(() => {
    const editor = view.current;
    if (editor && text !== editor.state.doc.toString() && !editor.hasFocus) replaceAll(editor, text);
  }, [text]);

  useEffect(() => {
    const editor = view.current;
    if (!editor) return;
    editor.dispatch(setDiagnostics(editor.state, diagnosticsOf(findings, repairs, editor.state.doc.length)));
  }, [findings, repairs]);

  useImperativeHandle(ref, () => ({
    select(from, to) {
      const editor = view.current;
      if (!editor) return;
      mark(editor, from, to);
      editor.focus();
    },
    mark: (from, to) => view.current && mark(view.current, from, to),
    undo: () => view.current && undo(view.current),
    redo: () => view.current && redo(view.current),
    text: () => view.current?.state.doc.toString() ?? text,
    apply: (edits) => view.current && applyEdits(view.current, edits),
    replaceAll: (next) => view.current && replaceAll(view.current, next),
  }));

  const c = usePalette();
  return <Box ref={host} sx={editorStyle(c)} />;
}

/** The findings as the editor marks them, each with its repairs. Those behind the end belong to an older text. */
const diagnosticsOf = (
  findings: EditorProps["findings"],
  repairs: EditorProps["repairs"],
  end: number,
): readonly Diagnostic[] =>
  findings
    .filter((f) => f.to <= end)
    .map((f) => ({
      from: f.from,
      to: Math.max(f.to, Math.min(end, f.from + 1)),
      severity: SEVERITY[f.severity],
      message: f.message,
      source: f.rule,
      actions: (repairs[findingKey(f)] ?? []).map((repair) => ({
        name: repair.label,
        apply: (target) => applyEdits(target, repair.edits),
      })),
    }));

/** How the editor looks in the palette of the page. */
const editorStyle = (c: ReturnType<typeof usePalette>) => ({
  height: "100%",
  "& .cm-editor": { height: "100%", fontSize: "1rem", outline: "none" },
  "& .cm-editor.cm-focused": { outline: "none", boxShadow: `inset 3px 0 0 ${c.primary.main}` },
  // The editor as a whole shows that it has the focus.
  "& .cm-content:focus-visible": { outline: "none" },
  "& .cm-scroller": { fontFamily: FONTS.mono, lineHeight: 1.65 },
  "& .cm-content": { py: 1.5, caretColor: c.text.primary },
  "& .cm-content ::selection": { color: c.text.primary, background: "transparent" },
  "& .cm-cursor": { borderLeftColor: c.text.primary, borderLeftWidth: 2 },
  "& .cm-editor .cm-gutters": { background: "transparent", border: 0, color: c.text.secondary },
  "& .cm-activeLine": { backgroundColor: `color-mix(in srgb, ${c.primary.main} 7%, transparent)` },
  "& .cm-editor .cm-selectionBackground, & .cm-editor.cm-focused .cm-selectionBackground": {
    background: `color-mix(in srgb, ${c.primary.main} 24%, transparent) !important`,
  },
  "& .cm-tooltip": {
    background: c.background.paper,
    color: c.text.primary,
    border: `1px solid ${c.hairline}`,
    fontFamily: FONTS.text,
    maxWidth: 420,
  },
  "& .cm-tooltip-autocomplete ul li[aria-selected]": {
    background: c.primary.main,
    color: c.primary.contrastText,
  },
  "& .cm-completionDetail": { fontStyle: "normal", opacity: 0.8 },
  "& .cm-diagnosticAction": {
    background: c.primary.main,
    color: c.primary.contrastText,
    borderRadius: 999,
    padding: "3px 10px",
  },
  "& .score-key": { color: c.text.secondary },
  "& .score-word": { fontWeight: 700 },
  "& .score-section": { fontWeight: 700 },
  "& .score-label": { color: c.partner.C, fontWeight: 650 },
  "& .score-arrow": { color: c.primary.main, fontWeight: 700 },
  "& .score-wrong": { color: c.verdict.invalid, fontWeight: 700 },
  "& .score-note": { fontStyle: "italic" },
  "& .score-comment": { color: c.text.secondary, fontStyle: "italic" },
});

function mark(editor: EditorView, from: number, to: number): void {
  const end = editor.state.doc.length;
  editor.dispatch({ selection: { anchor: Math.min(from, end), head: Math.min(to, end) }, scrollIntoView: true });
}

function applyEdits(editor: EditorView, edits: readonly { from: number; to: number; insert: string }[]): void {
  const end = editor.state.doc.length;
  editor.dispatch({
    changes: edits.filter((e) => e.to <= end).map(({ from, to, insert }) => ({ from, to, insert })),
    userEvent: "input.repair",
  });
  editor.focus();
}

/** Replaces the whole text as one step that undo takes back. */
function replaceAll(editor: EditorView, text: string): void {
  editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: text } });
}
