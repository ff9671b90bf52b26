/** Speaks every shipped word to a file: bin/tool voice FOLDER. The words are in `core/floor/voice.ts`. */
import { execFileSync } from "node:child_process";
import { mkdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { voiceFile, voiceWords } from "#core/floor/voice.ts";
import { shippedVocabulary } from "#core/words/vocabulary.ts";

/** Words a minute: quick enough to be over before the feed comes. */
const PACE = "170";
const VOICE = "en-gb";

const folder = process.argv[2];
if (!folder) throw new Error("Say where the files go: bin/tool voice FOLDER");
rmSync(folder, { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const words = voiceWords(shippedVocabulary());
for (const word of words)
  execFileSync("espeak-ng", ["-v", VOICE, "-s", PACE, "-w", join(folder, `${voiceFile(word)}.wav`), word]);
// Last: a folder without it is not whole.
writeFileSync(join(folder, "index.json"), JSON.stringify(words));
console.log(`${words.length} words spoken to ${folder}`);
