/** Small shared parts of screens. */
import Alert from "@mui/material/Alert";
import Box from "@mui/material/Box";
import Stack from "@mui/material/Stack";
import Typography from "@mui/material/Typography";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { ReactNode } from "react";
import { NOT_ON_PAPER } from "./theme.ts";

/** The head of a screen: what it is, and what can be done here. */
export function ScreenHead({ title, lead, children }: { title: ReactNode; lead?: ReactNode; children?: ReactNode }) {
  return (
    <Stack direction="row" spacing={2} sx={{ flexWrap: "wrap", alignItems: "end", px: { xs: 2, sm: 3 }, pt: 3, pb: 2 }}>
      <Box sx={{ flex: "1 1 320px", minWidth: 0 }}>
        <Typography variant="h1">{title}</Typography>
        {lead && <Typography sx={{ mt: 0.75, color: "text.secondary", maxWidth: 680 }}>{lead}</Typography>}
      </Box>
      {children && (
        <Stack direction="row" spacing={1} sx={{ flexWrap: "wrap", alignItems: "center", ...NOT_ON_PAPER }}>
          {children}
        </Stack>
      )}
    </Stack>
  );
}

/** A choice among a few words; the chosen one is underlined, not boxed. */
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
    <ToggleButtonGroup
      exclusive
      aria-label={label}
      value={value}
      // A press on the chosen word asks for none: one stays chosen.
      onChange={(_, chosen: T | null) => chosen !== null && onChange(chosen)}
    >
      {named && (
        <Typography aria-hidden variant="body2" sx={{ color: "text.secondary", alignSelf: "center" }}>
          {label}:
        </Typography>
      )}
      {options.map((option) => (
        <ToggleButton key={option.value} value={option.value}>
          {option.label}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** A line of talk to the instructor: what happened, with an action where there is one. */
export const Notice = ({
  tone = "plain",
  children,
  action,
}: {
  tone?: "plain" | "trouble";
  children: ReactNode;
  action?: ReactNode;
}) => (
  <Alert
    severity={tone === "trouble" ? "error" : "info"}
    role={tone === "trouble" ? "alert" : "status"}
    action={action}
    sx={{ mx: { xs: 2, sm: 3 }, my: 1 }}
  >
    {children}
  </Alert>
);
