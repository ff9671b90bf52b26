/** The code of the project as syntax trees, for tests that hold it to its rules. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";

export interface Source {
  readonly path: string;
  readonly tree: ts.SourceFile;
}

const isCode = (path: string): boolean =>
  /\.tsx?$/.test(path) && !/\.test\.tsx?$|testing\.ts$|score-parser(\.terms)?\.ts$|\.d\.ts$/.test(path);

function filesBelow(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesBelow(path) : isCode(path) ? [path] : [];
  });
}

/** All code below folders, without tests and what is generated. */
export const sourcesIn = (...folders: readonly string[]): readonly Source[] =>
  folders.flatMap(filesBelow).map((path) => ({
    path,
    tree: ts.createSourceFile(path, readFileSync(path, "utf8"), ts.ScriptTarget.Latest, true),
  }));

/** Every node of a tree, parents first. */
export function* nodesOf(node: ts.Node): Generator<ts.Node> {
  yield node;
  for (const child of node.getChildren()) yield* nodesOf(child);
}

export const placeOf = ({ path, tree }: Source, node: ts.Node): string =>
  `${path}:${tree.getLineAndCharacterOfPosition(node.getStart()).line + 1}`;
