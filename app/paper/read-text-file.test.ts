import { readTextFile } from "./read-text-file.ts";

// Bytes of the two encodings: Unicode 16, section 3.9; Windows-1252 as in the WHATWG Encoding Standard.
test.each([
  [[0xef, 0xbb, 0xbf, 0x4a, 0xc3, 0xbc, 0x72, 0x67, 0x65, 0x6e], "Jürgen", "UTF-8"],
  [[0x4a, 0xc3, 0xbc, 0x72, 0x67, 0x65, 0x6e], "Jürgen", "UTF-8"],
  [[0x4a, 0xfc, 0x72, 0x67, 0x65, 0x6e], "Jürgen", "Windows-1252"],
  [[0x57, 0x65, 0x69, 0xdf], "Weiß", "Windows-1252"],
  [[], "", "UTF-8"],
])("%j is %s", async (bytes, text, encoding) => {
  expect(await readTextFile(new Blob([Uint8Array.from(bytes)]))).toEqual({ text, encoding });
});
