/** The parts of a place, each with an address of its own. */
import Box from "@mui/material/Box";
import Tab from "@mui/material/Tab";
import Tabs from "@mui/material/Tabs";
import { Link, useLocation } from "react-router";
import { NOT_ON_PAPER } from "./theme.ts";

interface PartsNavProps {
  readonly label: string;
  /** Address and name; the first one is the place itself. */
  readonly parts: readonly (readonly [to: string, name: string])[];
}

/** They lead to pages, so they are read as links of a navigation and not as the tabs of one page. */
const AS_LINK = { role: undefined, "aria-selected": undefined, tabIndex: 0 } as const;

export function PartsNav({ label, parts }: PartsNavProps) {
  const { pathname } = useLocation();
  const here = parts.find(([to], i) => pathname === to || (i > 0 && pathname.startsWith(`${to}/`)))?.[0] ?? false;
  return (
    <Box component="nav" aria-label={label} sx={{ px: { xs: 2, sm: 3 }, ...NOT_ON_PAPER }}>
      <Tabs value={here} slotProps={{ list: { role: undefined } }}>
        {parts.map(([to, name]) => (
          <Tab
            key={to}
            {...AS_LINK}
            value={to}
            label={name}
            component={Link}
            to={to}
            aria-current={to === here ? "page" : undefined}
          />
        ))}
      </Tabs>
    </Box>
  );
}
