/**
 * No move by name in code: what code needs to know of a move is a field of its data, and lists of moves are
 * data of the trade. Sentences for people may name moves; they are never compared and never read back.
 */
import { nameKey } from "../words/name-key.ts";
import ts from "typescript";
import { nodesOf, placeOf, sourcesIn, type Source } from "../base/source-testing.ts";
import { isModifierWord } from "../read/find-move.ts";
import { shippedVocabulary } from "../words/vocabulary.ts";

const vocabulary = shippedVocabulary();
const IDS = new Set<string>(vocabulary.moves.keys());
const NAMES = new Set(vocabulary.byName.keys());
const LONG = [...NAMES].filter((name) => name.includes(" ")).sort((a, b) => b.length - a.length);
/** Places that are allowed to name a move. It stays empty. */
const EXCEPTIONS: readonly string[] = [];

const CONNECTORS = new Set(["both", ">", "<>", "|", "+", ",", ";", "to", "on", "at"]);

/** True for a text that is nothing but notation and holds a name of two words or more. */
function isNotation(text: string): boolean {
  // People are capitals: “a level change” is English.
  let rest = ` ${nameKey(text.replace(/(^|\s)[ABC](?=\s)/g, " "))} `;
  const long = LONG.filter((name) => rest.includes(` ${name} `));
  if (long.length === 0) return false;
  for (const name of long) rest = rest.replaceAll(` ${name} `, "  ");
  return rest
    .split(/\s+/)
    .filter(Boolean)
    .every((word) => CONNECTORS.has(word) || NAMES.has(word) || isModifierWord(word));
}

const textOf = (node: ts.Node): string | null =>
  ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node)
    ? node.text
    : null;

const ofMove = (node: ts.Node): boolean =>
  ts.isPropertyAccessExpression(node) && ["id", "name", "text"].includes(node.name.text);

/** Why a node names a move; null where it does not. */
function naming(node: ts.Node): string | null {
  if (ts.isImportDeclaration(node.parent ?? node)) return null;
  const text = textOf(node);
  if (text !== null) {
    if (IDS.has(text) && text.includes("-")) return `the id of a move: ${text}`;
    if (isNotation(text)) return `notation: ${text}`;
  }
  if (node.kind === ts.SyntaxKind.RegularExpressionLiteral) {
    const pattern = nameKey(node.getText().replace(/\\[sb][+*]?/g, " "));
    const found = LONG.find((name) => ` ${pattern.replace(/[^a-z ]/g, " ")} `.includes(` ${name} `));
    if (found) return `a pattern: ${found}`;
  }
  if (ts.isBinaryExpression(node) && /^[!=]==?$/.test(node.operatorToken.getText())) {
    const [left, right] = [node.left, node.right];
    for (const [one, other] of [
      [left, right],
      [right, left],
    ] as const) {
      const word = textOf(other);
      if (word !== null && ofMove(one) && /\b(move|use|feed|answer)\b/i.test(one.getText()))
        if (IDS.has(word) || NAMES.has(nameKey(word))) return `compared with a move: ${word}`;
    }
  }
  if (ts.isAsExpression(node) && node.type.getText() === "MoveId" && textOf(node.expression) !== null)
    return "a literal made into the id of a move";
  return null;
}

const found = ({ path, tree }: Source): string[] =>
  [...nodesOf(tree)].flatMap((node) => {
    const why = naming(node);
    return why ? [`${placeOf({ path, tree }, node)} ${why}`] : [];
  });

test("no move by name in code", () => {
  const places = sourcesIn("core", "app", "server", "cli").flatMap(found);
  expect(places.filter((place) => !EXCEPTIONS.some((known) => place.startsWith(known)))).toEqual([]);
});

describe("the test sees what it must", () => {
  const look = (code: string) =>
    found({ path: "x.ts", tree: ts.createSourceFile("x.ts", code, ts.ScriptTarget.Latest, true) });
  test.each([
    ['const a = ["slip out", "shin check"];'],
    ["const b = `${answer} + step off`;"],
    ['if (move.id === "step") go();'],
    ['if (use.text === "jab") go();'],
    ['const c = "round-kick" as MoveId;'],
    ["const d = /round kick|push kick/.test(x);"],
    ['const e = "A rear round kick to leg -> B shin check";'],
  ])("%s", (code) => {
    expect(look(code)).not.toEqual([]);
  });
  test.each([
    ['const f = "Turn it aside, or step off.";'],
    ['const g = (kind: "pin" | "touch") => kind;'],
    ['const h = "One step back";'],
    ['if (body.kind === "block") go();'],
  ])("and nothing else: %s", (code) => {
    expect(look(code)).toEqual([]);
  });
});
