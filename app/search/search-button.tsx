/** To the search from every screen; Ctrl K or a slash opens it where nothing is being typed. */
import SearchOutlined from "@mui/icons-material/SearchOutlined";
import IconButton from "@mui/material/IconButton";
import Tooltip from "@mui/material/Tooltip";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { isTyping } from "../ui/is-typing.ts";

const load = () => import("./search-dialog.tsx");
const SearchDialog = lazy(async () => ({ default: (await load()).SearchDialog }));

export function SearchButton() {
  const [open, setOpen] = useState(false);
  const [here, setHere] = useState(false);
  const held = useHeldKeys(open && !here);
  const close = () => {
    setOpen(false);
    setHere(false);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const chord = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "k";
      const slash = event.key === "/" && !isTyping(event) && !event.ctrlKey && !event.metaKey && !event.altKey;
      if (!chord && !slash) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  return (
    <>
      <Tooltip title="Search everything (Ctrl K)">
        <IconButton
          aria-label="Search everything"
          aria-keyshortcuts="Control+K /"
          onPointerEnter={() => void load()}
          onFocus={() => void load()}
          onClick={() => setOpen(true)}
          sx={{ color: "text.secondary", width: 48, height: 48, flex: "none" }}
        >
          <SearchOutlined />
        </IconButton>
      </Tooltip>
      {open && (
        <Suspense>
          <SearchDialog begun={held} onHere={() => setHere(true)} onClose={close} />
        </Suspense>
      )}
    </>
  );
}

/**
 * Keeps what is typed until the dialog is there: on a slow machine it is still on its way when the first letters come,
 * and they would go into the page.
 */
function useHeldKeys(waiting: boolean): { readonly current: string } {
  const held = useRef("");
  useEffect(() => {
    if (!waiting) return;
    held.current = "";
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key.length === 1) held.current += event.key;
      else if (event.key === "Backspace") held.current = held.current.slice(0, -1);
      else return;
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  }, [waiting]);
  return held;
}
