/** A list to choose from, as the server writes it: the chosen one is shown in words, numbers too. */
import { Choice } from "./choice.tsx";
import { text } from "./testing.tsx";

test("numbers and words are shown by their labels, and nothing chosen by its own", () => {
  const options = [
    [30, "half a minute"],
    [60, "a minute"],
  ] as const;
  expect(text(<Choice label="Each" value={60} options={options} onChange={() => undefined} />)).toMatch(/a minute/);
  const words = [
    ["", "anybody"],
    ["x", "Xenia"],
  ] as const;
  expect(text(<Choice label="Who" value="" options={words} onChange={() => undefined} />)).toMatch(/anybody/);
});
