/** Names with what belongs to each beside them: `dt` and `dd` in two columns. */
import { styled } from "@mui/material/styles";

export const Terms = styled("dl")(({ theme }) => ({
  display: "grid",
  gridTemplateColumns: "auto minmax(0, 1fr)",
  columnGap: 16,
  rowGap: 2,
  margin: 0,
  "& dt": { color: (theme.vars ?? theme).palette.text.secondary },
  "& dd": { margin: 0 },
}));
