/** Set-ups by which partners come back to where they were. Common practice, no source. */
export const WAYS = [
  "recover",
  "change hands",
  "switch stance",
  "step back",
  "step in",
  "step left",
  "step right",
  "guard",
  "reset",
] as const;
