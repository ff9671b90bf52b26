/** All stop: the word on the whole screen, on every device. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { BIG } from "./clock-face.tsx";

const STOP_RED = "#a5201c";

/** Over everything, until somebody says go on; on the wall nobody can. */
export const AllStop = ({ onGo = null }: { readonly onGo?: (() => void) | null }) => (
  <Box
    role="alertdialog"
    aria-label="All stop"
    sx={{
      position: "fixed",
      inset: 0,
      zIndex: "modal",
      // The same red by day and by night: everybody in the hall knows it.
      bgcolor: STOP_RED,
      color: "#fff",
      display: "flex",
      flexDirection: "column",
      alignItems: "center",
      justifyContent: "center",
      gap: 6,
    }}
  >
    <Box sx={{ fontSize: "clamp(6rem, 28vw, 20rem)", fontWeight: 900, lineHeight: 1 }}>STOP</Box>
    {onGo && (
      <Button
        variant="outlined"
        autoFocus
        onClick={onGo}
        sx={{ ...BIG, flex: "none", px: 6, color: "inherit", borderColor: "currentcolor", fontSize: "1.6rem" }}
      >
        Go on
      </Button>
    )}
  </Box>
);
