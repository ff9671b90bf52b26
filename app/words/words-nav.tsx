/** The parts of the Words place. */
import Box from "@mui/material/Box";
import { styled } from "@mui/material/styles";
import { NavLink } from "react-router";
import { NOT_ON_PAPER } from "../ui/theme.ts";

const Part = styled(NavLink)(({ theme }) => ({
  color: theme.vars?.palette.text.secondary,
  textDecoration: "none",
  padding: "8px 4px",
  minHeight: 40,
  borderBottom: "2px solid transparent",
  "&[aria-current=page]": {
    color: theme.vars?.palette.text.primary,
    fontWeight: 700,
    borderBottomColor: theme.vars?.palette.primary.main,
  },
}));

export const WordsNav = () => (
  <Box
    component="nav"
    aria-label="Parts of Words"
    sx={{
      display: "flex",
      gap: 2.5,
      px: { xs: 2, sm: 3 },
      overflowX: "auto",
      whiteSpace: "nowrap",
      borderBottom: 1,
      borderColor: "hairline",
      ...NOT_ON_PAPER,
    }}
  >
    <Part to="/words" end>
      Moves
    </Part>
    <Part to="/words/numbering">Numbering</Part>
    <Part to="/words/taught">What is taught first</Part>
    <Part to="/words/school">How this school does it</Part>
  </Box>
);
