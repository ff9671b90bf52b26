/** Text out of a file that somebody chose, in the encodings that spreadsheets write. */

/** UTF-8, with or without its mark; else Windows-1252, which has a letter for every byte. */
export async function readTextFile(
  file: Blob,
): Promise<{ readonly text: string; readonly encoding: "UTF-8" | "Windows-1252" }> {
  const bytes = await file.arrayBuffer();
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "UTF-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "Windows-1252" };
  }
}
