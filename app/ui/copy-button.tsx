/** Copies a text to the clipboard and says that it did. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { UNSEEN } from "./theme.ts";

interface CopyButtonProps {
  readonly label: string;
  readonly text: string;
}

export function CopyButton({ label, text }: CopyButtonProps) {
  const [said, setSaid] = useState("");
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(text);
      setSaid("Copied");
    } catch {
      // Where the browser does not let a page write there (no TLS, or not allowed).
      setSaid("Not allowed here: mark it and copy");
    }
  };
  return (
    <>
      <Button variant="outlined" size="small" onClick={() => void copy()}>
        {said || label}
      </Button>
      <Box role="status" sx={UNSEEN}>
        {said}
      </Box>
    </>
  );
}
