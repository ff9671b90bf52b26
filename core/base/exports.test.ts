/** What a file shows to others, others use: whatever is exported for nobody is a door that leads nowhere. */
import ts from "typescript";
import { nodesOf, sourcesIn, textsOf } from "./source-testing.ts";

const ROOMS = ["core", "app", "server", "db", "cli", "demo", "scripts"];
const sources = sourcesIn(...ROOMS);
const tests = ROOMS.flatMap((room) => textsOf(room, /\.test\.tsx?$|testing\.ts$/));

/** How many files say a name, tests among them. */
const users = new Map<string, number>();
const count = (names: Iterable<string>) => {
  for (const name of new Set(names)) users.set(name, (users.get(name) ?? 0) + 1);
};
for (const { tree } of sources) count([...nodesOf(tree)].filter(ts.isIdentifier).map((node) => node.text));
for (const text of tests) count(text.match(/\w+/g) ?? []);

/** Names that a file exports by a declaration. */
function exported(tree: ts.SourceFile): string[] {
  return tree.statements.flatMap((statement) => {
    const marked =
      ts.canHaveModifiers(statement) &&
      ts.getModifiers(statement)?.some((modifier) => modifier.kind === ts.SyntaxKind.ExportKeyword);
    if (!marked) return [];
    if (ts.isVariableStatement(statement))
      return statement.declarationList.declarations.map(({ name }) => (ts.isIdentifier(name) ? name.text : ""));
    const { name } = statement as ts.DeclarationStatement;
    return name && ts.isIdentifier(name) ? [name.text] : [];
  });
}

test("every export is used by another file", () => {
  // Routes, entries and the root are read by the framework, tokens by the grammar: both give the names.
  const ours = sources.filter(
    ({ path }) => !/^app\/(routes\/|routes\.ts|root\.tsx|entry\.)|score-tokens\.ts$/.test(path),
  );
  expect(ours.length).toBeGreaterThan(200);
  const unused = ours.flatMap(({ path, tree }) =>
    exported(tree)
      .filter((name) => (users.get(name) ?? 0) < 2)
      .map((name) => `${path}: ${name}`),
  );
  expect(unused).toEqual([]);
});

test("all that core exports has a comment", () => {
  const exported = (node: ts.Statement) =>
    ts.canHaveModifiers(node) && ts.getModifiers(node)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);
  const bare = sourcesIn("core").flatMap(({ path, tree }) =>
    tree.statements
      .filter((node) => exported(node) && ts.getJSDocCommentsAndTags(node).length === 0)
      .map((node) => `${path}: ${node.getText(tree).split("\n")[0]}`),
  );
  expect(bare).toEqual([]);
});
