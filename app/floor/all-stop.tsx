/** All stop: the word on the whole screen, on every device. */
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Stack from "@mui/material/Stack";
import { BIG } from "./clock-face.tsx";

const STOP_RED = "#a5201c";

interface StopProps {
  /** Somebody says go on: a second press. On the wall nobody can. */
  readonly onGo?: (() => void) | null;
  readonly onHurt?: (() => void) | null;
  /** A minute more of this stretch; null before the class has begun. */
  readonly onLonger?: (() => void) | null;
}

/** Over everything, until somebody says go on. */
export function AllStop({ onGo = null, onHurt = null, onLonger = null }: StopProps) {
  const ways = [
    ["Injury", onHurt],
    ["A minute more", onLonger],
    ["Go on", onGo],
  ] as const;
  return (
    <Stack
      role="alertdialog"
      aria-label="All stop"
      spacing={4}
      sx={{
        position: "fixed",
        inset: 0,
        zIndex: "modal",
        bgcolor: STOP_RED,
        color: "#fff",
        alignItems: "center",
        justifyContent: "center",
        textAlign: "center",
        p: 2,
      }}
    >
      <Box sx={{ fontSize: "clamp(6rem, 26vw, 18rem)", fontWeight: 900, lineHeight: 1 }}>STOP</Box>
      <Box sx={{ fontSize: "clamp(1.6rem, 4.5vw, 3.2rem)", fontWeight: 700, lineHeight: 1.2, textWrap: "balance" }}>
        Stop. Stand where you are. Sticks down, mitts down.
      </Box>
      <Stack direction="row" spacing={2} sx={{ flexWrap: "wrap", justifyContent: "center" }}>
        {ways.map(
          ([label, onPress]) =>
            onPress && (
              <Button
                key={label}
                variant="outlined"
                autoFocus={label === "Injury"}
                onClick={onPress}
                sx={{ ...BIG, flex: "none", px: 5, color: "inherit", borderColor: "currentcolor", fontSize: "1.5rem" }}
              >
                {label}
              </Button>
            ),
        )}
      </Stack>
    </Stack>
  );
}
