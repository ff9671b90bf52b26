/** Brings a drill in from a file: shows what was read before anything is saved. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useRef, useState } from "react";
import { useFetcher } from "react-router";
import { MAX_FILE } from "#core/score/limits.ts";
import { ScoreDrawing } from "../drawing/score-drawing.tsx";
import { readTextFile } from "../paper/read-text-file.ts";
import { VerdictRing } from "../ui/marks.tsx";
import { ask } from "../workers/client.ts";
import type { FileRead } from "../workers/questions/files.ts";

export function ReadFile() {
  const input = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<{ name: string; found: FileRead } | null>(null);
  const fetcher = useFetcher();
  const narrow = useMediaQuery("(max-width: 700px)");
  const choose = async (file: File) => {
    if (file.size > MAX_FILE) {
      const message = `${file.name} has ${Math.round(file.size / 1e6)} MB: that is no drill. Choose a .vics or .json file.`;
      return setRead({ name: file.name, found: { ok: false, message } });
    }
    const { text: content } = await readTextFile(file);
    setRead({ name: file.name, found: await ask("readFile", { name: file.name, content }) });
  };
  const save = (text: string) => {
    setRead(null);
    void fetcher.submit(
      { id: crypto.randomUUID(), revisionId: crypto.randomUUID(), text },
      { method: "post", action: "/?index" },
    );
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
      {read && found && (
        <Dialog
          open
          onClose={() => setRead(null)}
          fullScreen={narrow}
          maxWidth="md"
          fullWidth
          aria-labelledby="read-title"
        >
          <DialogTitle id="read-title" sx={{ typography: "h2" }}>
            {found.ok ? (found.view.title ?? read.name) : "This file holds no drill"}
          </DialogTitle>
          <DialogContent>
            {found.ok ? (
              <>
                <Box sx={{ display: "flex", gap: 1.5, alignItems: "center", mb: 1 }}>
                  <VerdictRing verdict={found.view.verdict} word />
                  {found.view.exchanges.length} exchanges,{" "}
                  {found.view.findings.filter((f) => f.severity === "error").length} errors,{" "}
                  {found.view.findings.filter((f) => f.severity === "risk").length} risks
                </Box>
                <ScoreDrawing view={found.view} cursor={null} zoom={0.8} />
                <Box component="ul" sx={{ pl: 2.5 }}>
                  {found.view.findings
                    .filter((f) => f.severity !== "note")
                    .slice(0, 5)
                    .map((f) => (
                      <li key={`${f.from}${f.message}`}>
                        Row {f.line}. {f.message}
                      </li>
                    ))}
                </Box>
                <Box
                  component="pre"
                  tabIndex={0}
                  aria-label="The text that was read"
                  sx={{
                    fontFamily: "monospace",
                    bgcolor: "background.default",
                    p: 1.5,
                    maxHeight: 200,
                    overflow: "auto",
                  }}
                >
                  {found.text}
                </Box>
              </>
            ) : (
              <Box role="alert">{found.message}</Box>
            )}
          </DialogContent>
          <DialogActions>
            <Button variant="text" color="inherit" onClick={() => setRead(null)}>
              {found.ok ? "Leave it" : "Close"}
            </Button>
            {found.ok && (
              <Button variant="contained" onClick={() => save(found.text)}>
                Save as a drill
              </Button>
            )}
          </DialogActions>
        </Dialog>
      )}
    </>
  );
}
