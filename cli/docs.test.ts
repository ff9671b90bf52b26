/** Every command that the README and the documents show is run: it exits as stated, and says what stands there. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** Commands that a test cannot run, with the reason. */
const NOT_RUN: Readonly<Record<string, string>> = {
  "bin/start": "serves until it is stopped; the browser tests use what it starts",
  "bin/test": "is what runs this test",
};

interface Shown {
  readonly file: string;
  readonly command: string;
  readonly exit: number;
  /** What it prints; null where that is not shown. */
  readonly prints: string | null;
}

const PAGES = [
  "README.md",
  "CONTRIBUTING.md",
  ...readdirSync("docs").flatMap((f) => (/\.md$/.test(f) ? [`docs/${f}`] : [])),
];

/** Fenced blocks of a page: language and text. */
const blocksOf = (page: string): { readonly language: string; readonly text: string }[] =>
  [...readFileSync(page, "utf8").matchAll(/^```(\w*)\n([\s\S]*?)^```$/gm)].map((match) => ({
    language: match[1]!,
    text: match[2]!,
  }));

/** `command # exit 1, why`: the command and the exit code that is stated. */
function shown(file: string, line: string, prints: string | null): Shown {
  const [command = "", comment = ""] = line.split(/\s+# /);
  return { file, command: command.trim(), exit: Number(/^exit (\d)/.exec(comment)?.[1] ?? 0), prints };
}

function commandsIn(file: string): Shown[] {
  return blocksOf(file).flatMap(({ language, text }) => {
    if (language === "sh")
      return text
        .split("\n")
        .filter((line) => line.trim() !== "")
        .map((line) => shown(file, line, null));
    if (language !== "console") return [];
    return text
      .split(/^\$ /m)
      .slice(1)
      .map((part) => {
        const [line = "", ...rest] = part.split("\n");
        return shown(file, line, rest.join("\n"));
      });
  });
}

const all = PAGES.flatMap(commandsIn);

let dir: string;
beforeAll(() => {
  dir = mkdtempSync(join(tmpdir(), "vicissor-docs-"));
  for (const part of ["bin", "demo", "docs"]) symlinkSync(join(process.cwd(), part), join(dir, part));
  // What a reader would have written before.
  writeFileSync(join(dir, "drill.vics"), "title: My drill\ntempo: 50%\n\nA jab -> B slip out, cross\n");
});
afterAll(() => rmSync(dir, { recursive: true }));

test("the README shows commands, and those that are not run are named with a reason", () => {
  expect(all.filter(({ file }) => file === "README.md").length).toBeGreaterThan(10);
  const skipped = all.map(({ command }) => command).filter((command) => !/^(cat|bin\/vicissor) /.test(command));
  expect([...new Set(skipped)].sort()).toEqual(Object.keys(NOT_RUN).sort());
});

test("no command hides in a block of another kind", () => {
  for (const page of PAGES)
    for (const { language, text } of blocksOf(page))
      if (language !== "sh" && language !== "console") expect(text).not.toMatch(/^(\$ )?bin\//m);
});

test.each(all.filter(({ command }) => !(command in NOT_RUN)).map((one) => [one.file, one.command, one] as const))(
  "%s: %s",
  (_, __, { command, exit, prints }) => {
    const { status, stdout, stderr } = spawnSync("bash", ["-c", command], { cwd: dir, encoding: "utf8" });
    expect([status, stderr]).toEqual([exit, ""]);
    expect(stdout.trim()).not.toBe("");
    if (prints !== null) expect(stdout).toBe(prints);
  },
  20_000,
);

test("each command of the command line says how it is used", () => {
  const help = spawnSync("bin/vicissor", ["help"], { encoding: "utf8" }).stdout;
  const names = [...help.matchAll(/^ {2}(\w+) (?:\[options\] )?[<[ ]/gm)].map((match) => match[1]!);
  expect(names).toEqual(expect.arrayContaining(["check", "ladder", "plan", "flow"]));
  for (const name of names.filter((one) => one !== "help"))
    expect(spawnSync("bin/vicissor", ["help", name], { encoding: "utf8" }).stdout).toMatch(
      new RegExp(`^Usage: vicissor ${name} `),
    );
}, 30_000);
