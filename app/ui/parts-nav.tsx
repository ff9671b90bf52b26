/** The parts of a place, each with an address of its own. */
import Box from "@mui/material/Box";
import { styled } from "@mui/material/styles";
import { NavLink } from "react-router";
import { NOT_ON_PAPER } from "./theme.ts";

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

interface PartsNavProps {
  readonly label: string;
  /** Address and name; the first one is the place itself. */
  readonly parts: readonly (readonly [to: string, name: string])[];
}

export const PartsNav = ({ label, parts }: PartsNavProps) => (
  <Box
    component="nav"
    aria-label={label}
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
    {parts.map(([to, name], i) => (
      <Part key={to} to={to} end={i === 0}>
        {name}
      </Part>
    ))}
  </Box>
);
