/** The table of rules in the documents is that of the code: each rule with where it is raised. */
import { readFileSync, writeFileSync } from "node:fs";
import ts from "typescript";
import { nodesOf, sourcesIn } from "../base/source-testing.ts";
import { isRule, RULE_IDS, RULES } from "./rules.ts";

const PAGE = "docs/rules.md";

/** The files that hand a rule to a finding: those that name it where findings are made. */
function raisedIn(): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>();
  for (const { path, tree } of sourcesIn("core/drill", "core/exchange", "core/read", "core/policy", "core/score"))
    for (const node of nodesOf(tree))
      if (ts.isStringLiteral(node) && isRule(node.text) && isHandedOver(node)) {
        const files = found.get(node.text) ?? [];
        if (!files.includes(path)) found.set(node.text, [...files, path]);
      }
  return found;
}

/** A rule that is compared is looked for, not raised. */
function isHandedOver({ parent }: ts.Node): boolean {
  if (ts.isCallExpression(parent)) return /^(?:draft|say|this\.fault|fault)$/.test(parent.expression.getText());
  return ts.isPropertyAssignment(parent) && parent.name.getText() === "rule";
}

test("docs/rules.md names every rule, how grave it is, what it asks, and where it is raised", () => {
  const raised = raisedIn();
  const rows = RULE_IDS.map((id) => {
    const { severity, decides, question } = RULES[id];
    return `| ${[`\`${id}\``, severity, decides, question ?? "", (raised.get(id) ?? []).map((file) => `\`${file}\``).join(", ")].join(" | ")} |`;
  });
  const table = ["| rule | severity | decides | question | raised in |", "| --- | --- | --- | --- | --- |", ...rows];
  if (process.env.WRITE_DOCS) writeFileSync(PAGE, `${HEAD}\n${table.join("\n")}\n`);
  const cells = (text: string) =>
    text
      .split("\n")
      .filter((line) => line.startsWith("| `"))
      .map((line) => line.split("|").map((cell) => cell.trim()));
  expect(cells(readFileSync(PAGE, "utf8"))).toEqual(cells(table.join("\n")));
  // Nobody raises these by name: they come from a fault of a word or of the school.
  expect(RULE_IDS.filter((id) => !raised.has(id))).toEqual([]);
});

const HEAD = `# Rules

Every finding belongs to a rule. A rule is one row in \`core/findings/rules.ts\`; its words are there or in \`words.ts\`. This table is
checked by a test; \`WRITE_DOCS=1 npx jest core/findings/rules-doc\` writes it again.
`;
