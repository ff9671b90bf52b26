/** Reports turns of phrase that read like a translation, in comments of code and in documents. See CONTRIBUTING, English. */
import { readFileSync } from "node:fs";

const { patterns } = JSON.parse(readFileSync(new URL("./patterns.json", import.meta.url), "utf8"));
const PATTERNS = patterns.map(({ find, say }) => ({ find: new RegExp(find, "g"), say }));

/** A comment as a reader sees it: without stars, on one line. */
const plain = (text) =>
  text
    .replace(/^\s*\*+ ?/gm, "")
    .replace(/\s+/g, " ")
    .trim();

const found = (text) =>
  PATTERNS.flatMap(({ find, say }) => [...text.matchAll(find)].map(([words]) => ({ words: words.trim(), say })));

const rule = {
  meta: { type: "suggestion", messages: { plain: "“{{words}}”: {{say}}." }, schema: [] },
  create(context) {
    const { sourceCode } = context;
    const report = (text, where) => {
      for (const data of found(text)) context.report({ ...where, messageId: "plain", data });
    };
    return {
      // Code: every comment.
      Program() {
        for (const comment of sourceCode.getAllComments?.() ?? []) report(plain(comment.value), { loc: comment.loc });
      },
      // Documents: every piece of text; code in them is no prose.
      text(node) {
        report(plain(node.value), { node });
      },
    };
  },
};

export default { rules: { "plain-english": rule } };
