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

function filesBelow(folder: string, wanted: (path: string) => boolean): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return filesBelow(path, wanted);
    return wanted(path) ? [path] : [];
  });
}

/** The texts of all files below a folder whose name fits. */
export const textsOf = (folder: string, name: RegExp): string[] =>
  filesBelow(folder, (path) => name.test(path)).map((path) => readFileSync(path, "utf8"));

/** All code below folders, without tests and what is generated. */
export const sourcesIn = (...folders: readonly string[]): readonly Source[] =>
  folders
    .flatMap((folder) => filesBelow(folder, isCode))
    .map((path) => ({
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
