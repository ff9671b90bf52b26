/** What is needed now and then at the desk: layout, revisions, the clock, and the drill as a file, a card or a link. */
import Box from "@mui/material/Box";
import Divider from "@mui/material/Divider";
import MenuItem from "@mui/material/MenuItem";
import { useEffect, useRef, useState } from "react";
import { fileName } from "#core/formats/file-name.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { OnPaper, ScoreSheet } from "../paper/paper-svg.tsx";
import { download } from "../paper/download.ts";
import { pngFile, svgFile } from "../paper/standalone.ts";
import { menuLink, MoreMenu } from "../ui/more-menu.tsx";
import { useTeaches } from "../ui/role.tsx";
import { ask } from "../workers/client.ts";

interface DeskMenuProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly view: ScoreView | null;
  /** Puts the text into its one layout. */
  readonly onFormat: () => void;
}

export function DeskMenu({ id, title, text, view, onFormat }: DeskMenuProps) {
  const [drawing, setDrawing] = useState<"svg" | "png" | null>(null);
  const sheet = useRef<SVGSVGElement>(null);
  const teaches = useTeaches();

  // The drawing is made for the file only: it is put on the page, read, and taken off again.
  useEffect(() => {
    if (!drawing || !sheet.current) return;
    const name = fileName(title, drawing);
    const made =
      drawing === "svg"
        ? svgFile(sheet.current).then((file) => download(name, file, "image/svg+xml"))
        : pngFile(sheet.current).then((file) => download(name, file));
    void made.finally(() => setDrawing(null));
  }, [drawing, title]);

  const item = (label: string, run: () => void) => (
    <MenuItem disabled={!view} onClick={run}>
      {label}
    </MenuItem>
  );
  const writeData = () =>
    void ask("writeJson", { text }).then((file) => download(fileName(title, "json"), file, "application/json"));
  return (
    <>
      <MoreMenu>
        {item("Format", onFormat)}
        {menuLink(`/drills/${id}/revisions`, "Revisions")}
        {menuLink(`/drills/${id}/clock`, "Clock")}
        <Divider />
        {menuLink(`/drills/${id}/card`, "Card: print or PDF")}
        {teaches && menuLink(`/drills/${id}/share`, "Share by a link")}
        {item("Export the score as text (.vics)", () => download(fileName(title, "vics"), text))}
        {item("Export score and verdicts as data (.json)", writeData)}
        {item("Export the drawing as SVG", () => setDrawing("svg"))}
        {item("Export the drawing as PNG", () => setDrawing("png"))}
      </MoreMenu>
      {drawing && view && (
        <Box aria-hidden sx={{ position: "absolute", left: -99999, top: 0, visibility: "hidden" }}>
          <OnPaper ink={false}>
            <ScoreSheet view={view} title={title} ref={sheet} />
          </OnPaper>
        </Box>
      )}
    </>
  );
}
