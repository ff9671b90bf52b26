import fc from "fast-check";
import { carryExchangeIds, type ExchangeRow } from "./exchange-ids.ts";

const counter = () => {
  let n = 0;
  return () => `new${++n}`;
};
const old: ExchangeRow[] = ["jab", "cross", "hook"].map((text, index) => ({ id: `id-${text}`, index, text }));
const carry = (texts: string[]) =>
  carryExchangeIds(
    old,
    texts.map((text, index) => ({ index, text })),
    counter(),
  ).map((r) => r.id);

test("unchanged rows keep their ids wherever they move to", () => {
  expect(carry(["jab", "cross", "hook"])).toEqual(["id-jab", "id-cross", "id-hook"]);
  expect(carry(["slip", "jab", "cross", "hook"])).toEqual(["new1", "id-jab", "id-cross", "id-hook"]);
});
test("a row that was edited in place keeps its id", () => {
  expect(carry(["jab", "cross to body", "hook"])).toEqual(["id-jab", "id-cross", "id-hook"]);
});
test("a row that was taken out takes its id with it", () => {
  expect(carry(["jab", "hook"])).toEqual(["id-jab", "id-hook"]);
});
test("ids are never given twice", () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom("jab", "cross", "hook", "slip", "new"), { maxLength: 8 }), (texts) => {
      const ids = carry(texts);
      expect(ids).toHaveLength(texts.length);
      expect(new Set(ids).size).toBe(ids.length);
    }),
  );
});
