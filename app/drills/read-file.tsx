/** Brings a drill in from a file: shows what was read before anything is saved. */
import Button from "@mui/material/Button";
import { useRef, useState } from "react";
import { MAX_FILE } from "#core/score/limits.ts";
import { readTextFile } from "../paper/read-text-file.ts";
import { ask } from "../workers/client.ts";
import type { FileRead } from "../workers/questions/files.ts";
import { later } from "../ui/later.tsx";
import { useSavedDrill } from "./use-saved-drill.ts";

const FileReadDialog = later(async () => (await import("./file-read-dialog.tsx")).FileReadDialog);

export function ReadFile() {
  const input = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<{ name: string; found: FileRead } | null>(null);
  const { save } = useSavedDrill();
  const choose = async (file: File) => {
    if (file.size > MAX_FILE) {
      const message = `${file.name} has ${Math.round(file.size / 1e6)} MB: that is no drill. Choose a .vics or .json file.`;
      return setRead({ name: file.name, found: { ok: false, message } });
    }
    const { text: content } = await readTextFile(file);
    setRead({ name: file.name, found: await ask("readFile", { name: file.name, content }) });
  };
  const take = (text: string) => {
    setRead(null);
    save(text);
  };
  const found = read?.found;
  return (
    <>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        Import a drill
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".vics,.json,.txt,text/plain,application/json"
        aria-label="A drill as a file"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void choose(file);
          event.target.value = "";
        }}
      />
      {read && found && <FileReadDialog name={read.name} found={found} onClose={() => setRead(null)} onSave={take} />}
    </>
  );
}
