import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useEffect } from "react";
import { isRouteErrorResponse, useRevalidator } from "react-router";

const WORDS = {
  database: {
    title: "The school's records cannot be reached",
    text: "The database does not answer. Nothing is lost: what you typed stays on this page. This page tries again every few seconds.",
  },
  missing: { title: "This is not here", text: "It may have been deleted, or the link may be wrong." },
  closed: {
    title: "This is not open to you",
    text: "Your role in this school does not include this page. Its owner can change that.",
  },
  signedOut: {
    title: "You are not signed in any more",
    text: "What you typed into a drill stays on this device. Sign in, and go on where you were.",
  },
  fault: {
    title: "Something went wrong",
    text: "The fault was written to the server's log. Try again; if it comes back, say what you did just before.",
  },
  page: {
    title: "Something broke on this page",
    text: "What was saved is safe. Reload the page; if it comes back, say what you did just before.",
  },
} as const;

/** What React Router puts in place of a fault on the server, so that no more of it is told. */
const SERVER_FAULT = "Unexpected Server Error";

/** A fault of the page itself was not written to any log; that of the server was. `onServer`: it is met while the server draws. */
export const faultOf = (error: unknown, onServer: boolean): "fault" | "page" =>
  onServer || (error instanceof Error && error.message === SERVER_FAULT) ? "fault" : "page";

const BY_STATUS: Readonly<Record<number, "missing" | "database" | "closed" | "signedOut">> = {
  401: "signedOut",
  403: "closed",
  404: "missing",
  503: "database",
};

/** What kind of trouble a screen is in. */
export const kindOf = (error: unknown): keyof typeof WORDS =>
  isRouteErrorResponse(error) ? (BY_STATUS[error.status] ?? "fault") : faultOf(error, typeof document === "undefined");

/** How often a page without its database tries again, ms. */
const RETRY = 3000;

const BUTTONS: Readonly<Record<keyof typeof WORDS, string>> = {
  database: "Try again",
  missing: "To the drills",
  closed: "To where you begin",
  signedOut: "Sign in",
  fault: "Try again",
  page: "Reload",
};

/** A full page in place of a screen that cannot be shown; recovers by itself where it can. */
export function Trouble({ kind, detail }: { kind: keyof typeof WORDS; detail?: string }) {
  const { revalidate, state } = useRevalidator();
  useEffect(() => {
    if (kind !== "database") return;
    const timer = setInterval(() => void revalidate(), RETRY);
    return () => clearInterval(timer);
  }, [kind, revalidate]);
  const { title, text } = WORDS[kind];
  return (
    <Box sx={{ maxWidth: 560, mx: "auto", py: 10, px: 3 }} role="alert">
      <Typography variant="h1" gutterBottom>
        {title}
      </Typography>
      <Typography sx={{ mb: 3 }}>{detail && kind === "missing" ? detail : text}</Typography>
      <Button
        variant="contained"
        onClick={() => {
          if (kind === "missing" || kind === "closed") window.location.assign("/");
          else if (kind === "page" || kind === "signedOut") window.location.reload();
          else void revalidate();
        }}
        disabled={state === "loading"}
      >
        {BUTTONS[kind]}
      </Button>
    </Box>
  );
}

/** What stands in place of a screen that met an error, within the frame. */
export const RouteTrouble = ({ error }: { error: unknown }) => (
  <Trouble
    kind={kindOf(error)}
    {...(isRouteErrorResponse(error) && typeof error.data === "string" ? { detail: error.data } : {})}
  />
);
