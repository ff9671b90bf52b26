/** Files of a drill: the score, data, the drawing, and the card to print. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import { useEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { fileName } from "#core/formats/drill-file.ts";
import type { ScoreView } from "#core/formats/desk-view.ts";
import { OnPaper, ScoreSheet } from "../paper/paper-svg.tsx";
import { download } from "../paper/download.ts";
import { pngFile, svgFile } from "../paper/standalone.ts";
import { useTeaches } from "../ui/role.tsx";
import { ask } from "../workers/client.ts";

interface ExportProps {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly view: ScoreView | null;
}

export function ExportMenu({ id, title, text, view }: ExportProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [drawing, setDrawing] = useState<"svg" | "png" | null>(null);
  const sheet = useRef<SVGSVGElement>(null);
  const close = () => setAnchor(null);
  // The items of a menu are its own children, for the arrow keys.
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
    <MenuItem
      disabled={!view}
      onClick={() => {
        close();
        run();
      }}
    >
      {label}
    </MenuItem>
  );
  return (
    <>
      <Button
        variant="outlined"
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        Export
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={close}>
        <MenuItem component={Link} to={`/drills/${id}/card`}>
          Card: print or PDF
        </MenuItem>
        {teaches && (
          <MenuItem component={Link} to={`/drills/${id}/share`}>
            Share by a link
          </MenuItem>
        )}
        {item("Score as text (.vics)", () => download(fileName(title, "vics"), text))}
        {item(
          "Score and verdicts as data (.json)",
          () =>
            void ask("writeJson", { text }).then((file) => download(fileName(title, "json"), file, "application/json")),
        )}
        {item("Drawing as SVG", () => setDrawing("svg"))}
        {item("Drawing as PNG", () => setDrawing("png"))}
      </Menu>
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
