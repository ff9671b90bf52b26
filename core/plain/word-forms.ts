/** A word in the forms that it may be typed in: `slips`, `parried` and `stepping` as `slip`, `parry` and `step`. */

/** Endings with the letters that replace them, most special first. */
const ENDINGS: readonly (readonly [RegExp, string])[] = [
  [/'s$/, ""],
  [/ies$/, "y"],
  [/ied$/, "y"],
  [/(?<=ss|sh|ch|x|z)es$/, ""],
  [/([bdgklmnprt])\1(?:ing|ed|er)$/, "$1"],
  [/(?:ing|ed|er)$/, ""],
  [/(?:ing|ed)$/, "e"],
  [/(?<!s)s$/, ""],
];

/** Words whose forms follow no rule. Common English. */
const IRREGULAR: Readonly<Record<string, string>> = {
  threw: "throw",
  thrown: "throw",
  caught: "catch",
  swung: "swing",
  swam: "swim",
  struck: "strike",
  held: "hold",
  shot: "shot",
  met: "met",
  leant: "lean",
  came: "come",
  went: "go",
  took: "take",
  gave: "give",
};

/** Returns the word itself and what it may be a form of, the nearest first. */
export function formsOf(word: string): readonly string[] {
  const forms = [word];
  const known = IRREGULAR[word];
  if (known) forms.push(known);
  for (const [ending, plain] of ENDINGS)
    if (word.length > 3 && ending.test(word)) forms.push(word.replace(ending, plain));
  return [...new Set(forms)];
}
