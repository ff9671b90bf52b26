import GridOnOutlined from "@mui/icons-material/GridOnOutlined";
import MenuBookOutlined from "@mui/icons-material/MenuBookOutlined";
import BadgeOutlined from "@mui/icons-material/BadgeOutlined";
import CalendarMonthOutlined from "@mui/icons-material/CalendarMonthOutlined";
import HelpOutlineOutlined from "@mui/icons-material/HelpOutlineOutlined";
import GroupsOutlined from "@mui/icons-material/GroupsOutlined";
import TuneOutlined from "@mui/icons-material/TuneOutlined";
import ContrastOutlined from "@mui/icons-material/ContrastOutlined";
import GesturesOutlined from "@mui/icons-material/GestureOutlined";
import Box from "@mui/material/Box";
import IconButton from "@mui/material/IconButton";
import Stack from "@mui/material/Stack";
import Tooltip from "@mui/material/Tooltip";
import { styled, useColorScheme } from "@mui/material/styles";
import { useEffect, useRef, useState, type ReactNode } from "react";
import { Link, NavLink, useLocation, useNavigate } from "react-router";
import type { Me } from "#server/access/me.ts";
import { SearchButton } from "../search/search-button.tsx";
import { isTyping } from "./is-typing.ts";
import { PendingLine, usePending } from "./pending.tsx";
import { shortDate } from "./dates.ts";
import { BrandMark } from "./marks.tsx";
import { UNSEEN } from "./theme.ts";

const TEACH: readonly Me["role"][] = ["owner", "instructor"];
const HELP: readonly Me["role"][] = [...TEACH, "assistant"];

/** The places, with who goes there. */
const PLACES = [
  { to: "/", label: "Drills", Icon: GesturesOutlined, who: HELP },
  { to: "/answers", label: "Answer map", Icon: GridOnOutlined, who: [...HELP, "student"] },
  { to: "/class", label: "Class", Icon: GroupsOutlined, who: HELP },
  { to: "/term", label: "Term", Icon: CalendarMonthOutlined, who: HELP },
  { to: "/people", label: "People", Icon: BadgeOutlined, who: TEACH },
  { to: "/moves", label: "Moves", Icon: MenuBookOutlined, who: [...HELP, "student"] },
  // On a phone it stands under one's name: the bar holds six places.
  { to: "/settings", label: "Settings", Icon: TuneOutlined, who: TEACH, onPhone: false },
] as const;

/** The places of somebody; a student's own page is the first of theirs. */
const placesOf = (me: Me | null) => [
  ...(me?.role === "student" ? [{ to: me.home, label: "My page", Icon: BadgeOutlined }] : []),
  ...PLACES.filter(({ who }) => me !== null && who.some((role) => role === me.role)),
];

/** The `handle` of a route that has the whole window to itself. */
export const WITHOUT_FRAME = "without frame";

export interface Tonight {
  readonly id: string;
  readonly title: string;
  readonly date: string;
}

const Rail = styled("nav")(({ theme }) => ({
  position: "sticky",
  top: 0,
  height: "100dvh",
  width: 84,
  flex: "none",
  zIndex: 2,
  display: "flex",
  flexDirection: "column",
  alignItems: "center",
  gap: 4,
  paddingBlock: 14,
  // At 200 % zoom the places are longer than the window.
  overflowY: "auto",
  borderRight: `1px solid ${theme.vars?.palette.hairline}`,
  [theme.breakpoints.down("sm")]: {
    position: "fixed",
    top: "auto",
    bottom: 0,
    height: 68,
    width: "100%",
    flexDirection: "row",
    justifyContent: "space-around",
    paddingBlock: 0,
    overflowY: "visible",
    borderRight: 0,
    borderTop: `1px solid ${theme.vars?.palette.hairline}`,
    background: theme.vars?.palette.background.default,
  },
  "@media print": { display: "none" },
}));

const Place = styled(NavLink)(({ theme }) => ({
  display: "flex",
  flexDirection: "column",
  alignItems: "center",
  gap: 2,
  width: 72,
  paddingBlock: 8,
  color: theme.vars?.palette.text.secondary,
  textDecoration: "none",
  fontSize: "0.9rem",
  lineHeight: 1.25,
  textAlign: "center",
  borderRadius: 6,
  [theme.breakpoints.down("sm")]: { width: 56, paddingBlock: 4, lineHeight: 1.1 },
  "&[aria-current=page]": {
    color: theme.vars?.palette.text.primary,
    fontWeight: 700,
    "& svg": { transform: "scale(1.12)" },
  },
}));

const Strip = styled("header")(({ theme }) => ({
  display: "flex",
  alignItems: "center",
  gap: 12,
  minHeight: 48,
  paddingInline: 24,
  borderBottom: `1px solid ${theme.vars?.palette.hairline}`,
  fontSize: "0.95rem",
  [theme.breakpoints.down("sm")]: { paddingInline: 16, gap: 8 },
  // One line each, shortened where there is no room.
  "& a": {
    color: theme.vars?.palette.text.primary,
    fontWeight: 600,
    overflow: "hidden",
    textOverflow: "ellipsis",
    whiteSpace: "nowrap",
  },
  "@media print": { display: "none" },
}));

const Skip = styled("a")(({ theme }) => ({
  position: "absolute",
  left: -9999,
  top: 0,
  "&:focus": { left: 8, top: 8, zIndex: 10, padding: 8, background: theme.vars?.palette.background.paper },
}));

interface FrameProps {
  /** Nobody, where the page is of no school. */
  readonly me: Me | null;
  readonly school: string;
  readonly tonight: Tonight | null;
  readonly children: ReactNode;
}

/** The places on the left (below, on a phone), tonight's class at the top, the screen in the middle. */
export function Frame({ me, school, tonight, children }: FrameProps) {
  const pending = usePending();
  const mayHelp = me !== null && HELP.includes(me.role);
  return (
    <Stack direction="row" sx={{ minHeight: "100dvh" }}>
      {pending && <PendingLine />}
      <Skip href="#main">Skip to the content</Skip>
      <Rail aria-label="Places">
        <Box
          component={Link}
          to="/"
          aria-label="Vicissor"
          sx={{ mb: 1, display: { xs: "none", sm: "block" }, color: "text.primary" }}
        >
          <BrandMark />
        </Box>
        {placesOf(me).map(({ to, label, Icon, ...place }) => (
          <Place
            key={to}
            to={to}
            end={to === "/"}
            prefetch="intent"
            sx={"onPhone" in place ? { display: { xs: "none", sm: "flex" } } : undefined}
          >
            <Icon />
            {label}
          </Place>
        ))}
        <HelpButton />
        <SchemeButton />
      </Rail>
      <Stack sx={{ flex: 1, minWidth: 0, pb: { xs: 10, sm: 0 } }}>
        <Strip>
          <Box component="span" sx={{ color: "text.secondary", display: { xs: "none", sm: "inline" } }}>
            {school}
          </Box>
          <Box sx={{ flex: 1 }} />
          {mayHelp && <SearchButton />}
          {tonight && mayHelp && (
            <Link to={`/class/${tonight.id}`}>
              {tonight.title}{" "}
              <Box component="span" sx={{ color: "text.secondary", fontWeight: 400 }}>
                {shortDate(tonight.date)}
              </Box>
            </Link>
          )}
          {me && (
            <Link to="/account" title="Your account">
              {me.name}
            </Link>
          )}
          <Box
            component={Link}
            to="/help"
            aria-label="Help"
            sx={{ display: { xs: "inline-flex", sm: "none" }, flex: "none", p: 1 }}
          >
            <HelpOutlineOutlined />
          </Box>
        </Strip>
        <Stack component="main" id="main" tabIndex={-1} aria-busy={pending} sx={{ flex: 1, minWidth: 0, outline: 0 }}>
          <Arrival />
          {children}
        </Stack>
      </Stack>
    </Stack>
  );
}

/** Says which place one has come to, and takes the focus there, as a page that is loaded would. */
function Arrival() {
  const { pathname } = useLocation();
  const [said, setSaid] = useState("");
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    // What the new place focuses by itself keeps the focus.
    const now = document.activeElement;
    if (now === document.body || now?.closest("a, nav"))
      document.getElementById("main")?.focus({ preventScroll: true });
    setSaid(document.title);
  }, [pathname]);
  return (
    <Box role="status" sx={UNSEEN}>
      {said}
    </Box>
  );
}

/** To the help, from every screen; the key for it is a question mark where nothing is being typed. */
function HelpButton() {
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key === "?" && !isTyping(event) && !event.ctrlKey && !event.metaKey) void navigate("/help");
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [navigate]);
  return (
    <Tooltip title="Help (?)" placement="right">
      <IconButton
        component={Link}
        to="/help"
        aria-label="Help"
        sx={{
          display: { xs: "none", sm: "inline-flex" },
          mt: "auto",
          color: "text.secondary",
          width: 48,
          height: 48,
          flex: "none",
        }}
      >
        <HelpOutlineOutlined />
      </IconButton>
    </Tooltip>
  );
}

const NEXT = { system: "light", light: "dark", dark: "system" } as const;

function SchemeButton() {
  const { mode, setMode } = useColorScheme();
  const now = mode ?? "system";
  return (
    <Tooltip title={`Colours: ${now}`} placement="right">
      <IconButton
        aria-label={`Colours: ${now}. Change to ${NEXT[now]}`}
        onClick={() => setMode(NEXT[now])}
        sx={{ color: "text.secondary", width: 48, height: 48, flex: "none" }}
      >
        <ContrastOutlined />
      </IconButton>
    </Tooltip>
  );
}
