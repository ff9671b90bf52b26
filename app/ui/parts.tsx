/** Small shared parts of screens. */
import Box from "@mui/material/Box";
import { styled } from "@mui/material/styles";
import type { ReactNode } from "react";
import { FOR_THUMBS, NOT_ON_PAPER } from "./theme.ts";

/** The head of a screen: what it is, and what can be done here. */
export function ScreenHead({ title, lead, children }: { title: ReactNode; lead?: ReactNode; children?: ReactNode }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "end", gap: 2, px: { xs: 2, sm: 3 }, pt: 3, pb: 2 }}>
      <Box sx={{ flex: "1 1 320px", minWidth: 0 }}>
        <Box component="h1" sx={{ typography: "h1", m: 0 }}>
          {title}
        </Box>
        {lead && (
          <Box component="p" sx={{ m: 0, mt: 0.75, color: "text.secondary", maxWidth: 680 }}>
            {lead}
          </Box>
        )}
      </Box>
      {children && (
        <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", ...NOT_ON_PAPER }}>{children}</Box>
      )}
    </Box>
  );
}

/** A choice among a few words; the chosen one is underlined, not boxed. */
const Word = styled("button")(({ theme }) => ({
  font: "inherit",
  background: "none",
  border: 0,
  padding: "8px 4px",
  minHeight: 40,
  ...FOR_THUMBS,
  cursor: "pointer",
  color: theme.vars?.palette.text.secondary,
  borderBottom: "2px solid transparent",
  "&[aria-pressed=true]": {
    color: theme.vars?.palette.text.primary,
    fontWeight: 700,
    borderBottomColor: theme.vars?.palette.primary.main,
  },
  // Where the system gives all borders one colour the chosen word alone has one.
  "@media (forced-colors: active)": { "&:not([aria-pressed=true])": { borderBottomStyle: "none" } },
}));

export function WordChoice<T extends string>({
  label,
  options,
  value,
  onChange,
  named = false,
}: {
  label: string;
  options: readonly { value: T; label: string }[];
  value: T;
  onChange: (value: T) => void;
  /** Its label is seen as well, where the words do not say what is chosen. */
  named?: boolean;
}) {
  return (
    <Box role="group" aria-label={label} sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
      {named && (
        <Box component="span" aria-hidden sx={{ color: "text.secondary", fontSize: "0.9rem", alignSelf: "center" }}>
          {label}:
        </Box>
      )}
      {options.map((option) => (
        <Word
          key={option.value}
          type="button"
          aria-pressed={option.value === value}
          onClick={() => onChange(option.value)}
        >
          {option.label}
        </Word>
      ))}
    </Box>
  );
}

/** A line of talk to the instructor: what happened, with an action where there is one. */
export function Notice({
  tone = "plain",
  children,
  action,
}: {
  tone?: "plain" | "trouble";
  children: ReactNode;
  action?: ReactNode;
}) {
  return (
    <Box
      role={tone === "trouble" ? "alert" : "status"}
      sx={{
        display: "flex",
        flexWrap: "wrap",
        gap: 2,
        alignItems: "center",
        mx: { xs: 2, sm: 3 },
        my: 1,
        py: 1,
        px: 2,
        borderLeft: 4,
        borderColor: tone === "trouble" ? "verdict.invalid" : "primary.main",
        bgcolor: "background.paper",
      }}
    >
      <Box sx={{ flex: 1, minWidth: 200 }}>{children}</Box>
      {action}
    </Box>
  );
}
