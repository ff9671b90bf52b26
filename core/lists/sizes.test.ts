import { sizeWords } from "./sizes.ts";

test.each([
  [0, 0, "0 exchanges"],
  [1, 0, "1 exchange"],
  [4, 1, "4 exchanges, 1 game"],
  [0, 2, "2 games"],
])("%i exchanges and %i games are said as %s", (exchanges, games, words) => {
  expect(sizeWords(exchanges, games)).toBe(words);
});
