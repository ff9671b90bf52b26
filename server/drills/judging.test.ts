import { eachOf } from "./judging.ts";

test("one that fails holds up nobody, and is given back to be tried again", async () => {
  const seen: number[] = [];
  const failed = await eachOf([1, 2, 3, 4], async (n) => {
    seen.push(n);
    if (n % 2 === 0) throw new Error("too slow");
    return Promise.resolve();
  });
  expect(seen).toEqual([1, 2, 3, 4]);
  expect(failed).toEqual([2, 4]);
});
