/** Chalk and ink: the look of the whole application. Contrast figures are tested in theme.test.ts. */
import { createTheme } from "@mui/material/styles";

/** The hues of partners, verdicts and grounds in both schemes. */
export const COLOURS = {
  light: {
    paper: "#f7f2e8",
    raised: "#fdfaf3",
    ink: "#20242a",
    quiet: "#575a5e",
    line: "#d8cfbd",
    accent: "#34437f",
    A: "#97450f",
    B: "#1d5f47",
    C: "#74316b",
    valid: "#20242a",
    risky: "#7d5200",
    invalid: "#a6261f",
  },
  dark: {
    paper: "#15181d",
    raised: "#1c2027",
    ink: "#efe8da",
    quiet: "#b4b0a6",
    line: "#3a3f47",
    accent: "#b3bffa",
    A: "#eda06a",
    B: "#82c9a8",
    C: "#dfa2d6",
    valid: "#efe8da",
    risky: "#eebc62",
    invalid: "#ff9389",
  },
} as const;
export type Scheme = keyof typeof COLOURS;

declare module "@mui/material/styles" {
  interface Palette {
    partner: Record<"A" | "B" | "C", string>;
    verdict: Record<"valid" | "risky" | "invalid", string>;
    hairline: string;
  }
  interface PaletteOptions {
    partner?: Record<"A" | "B" | "C", string>;
    verdict?: Record<"valid" | "risky" | "invalid", string>;
    hairline?: string;
  }
}

const palette = (scheme: Scheme) => {
  const c = COLOURS[scheme];
  return {
    palette: {
      background: { default: c.paper, paper: c.raised },
      text: { primary: c.ink, secondary: c.quiet },
      primary: { main: c.accent, contrastText: scheme === "light" ? "#ffffff" : "#15181d" },
      secondary: { main: c.ink, contrastText: c.paper },
      error: { main: c.invalid },
      warning: { main: c.risky },
      divider: c.line,
      partner: { A: c.A, B: c.B, C: c.C },
      verdict: { valid: c.valid, risky: c.risky, invalid: c.invalid },
      hairline: c.line,
    },
  };
};

export const FONTS = {
  heading: '"Bricolage Grotesque Variable", sans-serif',
  text: '"Hanken Grotesk Variable", sans-serif',
  mono: '"Atkinson Hyperlegible Mono Variable", monospace',
} as const;

/** What only a screen needs. */
export const NOT_ON_PAPER = { "@media print": { display: "none" } } as const;

const heading = { fontFamily: FONTS.heading, fontWeight: 650, letterSpacing: "-0.01em" } as const;

/** Read aloud and not seen. */
export const UNSEEN = {
  position: "absolute",
  width: "1px",
  height: "1px",
  m: "-1px",
  overflow: "hidden",
  clipPath: "inset(50%)",
  whiteSpace: "nowrap",
} as const;

/** What is touched is as large as a thumb needs it, px (WCAG 2.2, 2.5.5). */
export const FOR_THUMBS = { "@media (pointer: coarse)": { minHeight: 44, minWidth: 44 } } as const;

/** A word that is chosen among others: plain text on a line that shows which one it is. */
const WORD = {
  font: "inherit",
  textTransform: "none",
  letterSpacing: "inherit",
  padding: "8px 4px",
  minHeight: 40,
  ...FOR_THUMBS,
  border: 0,
  borderBottom: "2px solid transparent",
  borderRadius: 0,
} as const;

/** A button whose words are read on paper as well, such as a name. */
export const SAID_ON_PAPER = "said-on-paper";
/** Controls that say nothing on paper; heads of tables that sort are read there. */
const ONLY_PRESSED = [
  `button:not(th button, .${SAID_ON_PAPER})`,
  "a.MuiButton-root",
  "label.MuiButton-root",
  "input[type=file]",
  "input[type=range]",
  ".MuiSlider-root",
  ".MuiIconButton-root",
].join(", ");

/** What scrolls on a screen is whole on paper. */
const SCROLLERS = "main [role=region], main [role=grid], main nav, main aside, main .scrolls";

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: "data-scheme" },
  colorSchemes: { light: palette("light"), dark: palette("dark") },
  // A tablet held upright (820 px) is laid out as a screen, not as a phone.
  breakpoints: { values: { xs: 0, sm: 600, md: 780, lg: 1200, xl: 1536 } },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: FONTS.text,
    fontSize: 15,
    h1: { ...heading, fontSize: "2rem", lineHeight: 1.15 },
    h2: { ...heading, fontSize: "1.3rem", lineHeight: 1.25 },
    h3: { ...heading, fontSize: "1.06rem", lineHeight: 1.3 },
    body2: { fontSize: "0.94rem" },
    caption: { fontSize: "0.88rem" },
    button: { textTransform: "none", fontWeight: 600, fontSize: "0.98rem" },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: {
        root: {
          borderRadius: 999,
          paddingInline: 16,
          minHeight: 40,
          ...FOR_THUMBS,
          "&.Mui-focusVisible": { outline: "3px solid currentColor", outlineOffset: 2 },
          // Where the system takes the grounds away a filled button needs an edge.
          "@media (forced-colors: active)": { border: "1px solid ButtonText" },
        },
        outlined: ({ theme: t }) => ({
          borderColor: t.vars?.palette.text.secondary,
          color: t.vars?.palette.text.primary,
        }),
      },
    },
    MuiIconButton: { styleOverrides: { root: FOR_THUMBS } },
    MuiSelect: {
      styleOverrides: { select: { "@media (pointer: coarse)": { "&&": { paddingBlock: 12, minHeight: "auto" } } } },
    },
    MuiTextField: { defaultProps: { size: "small" } },
    MuiAutocomplete: { defaultProps: { size: "small" } },
    // Every field has its label above it, where it stays when something is typed.
    MuiInputLabel: {
      defaultProps: { shrink: true },
      styleOverrides: {
        root: ({ theme: t }) => ({
          position: "static",
          transform: "none",
          maxWidth: "none",
          overflow: "visible",
          whiteSpace: "normal",
          fontSize: "0.9rem",
          lineHeight: 1.45,
          color: t.vars?.palette.text.secondary,
          "&.Mui-focused": { color: t.vars?.palette.text.secondary },
          "&.Mui-error": { color: t.vars?.palette.error.main },
        }),
      },
    },
    MuiInput: { styleOverrides: { root: { "label + &": { marginTop: 0 } } } },
    MuiOutlinedInput: {
      styleOverrides: {
        notchedOutline: ({ theme: t }) => ({
          top: 0,
          borderColor: t.vars?.palette.text.secondary,
          "& legend": { display: "none" },
        }),
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 }, styleOverrides: { root: { backgroundImage: "none" } } },
    MuiStack: { defaultProps: { useFlexGap: true } },
    // A choice among words: the chosen one is underlined, not boxed.
    MuiToggleButtonGroup: { styleOverrides: { root: { display: "flex", flexWrap: "wrap", gap: 12 } } },
    MuiToggleButton: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          "&&": { ...WORD, margin: 0 },
          color: t.vars?.palette.text.secondary,
          "&.Mui-selected, &:hover, &.Mui-selected:hover": { background: "none" },
          "&&.Mui-selected": {
            color: t.vars?.palette.text.primary,
            fontWeight: 700,
            borderBottomColor: t.vars?.palette.primary.main,
          },
          // Where the system gives all borders one colour the chosen word alone has one.
          "@media (forced-colors: active)": { "&&:not(.Mui-selected)": { borderBottomStyle: "none" } },
        }),
      },
    },
    // The parts of a place look like the words of a choice, on a line.
    MuiTabs: {
      defaultProps: { variant: "scrollable", scrollButtons: false },
      styleOverrides: {
        root: ({ theme: t }) => ({ minHeight: 40, borderBottom: `1px solid ${t.vars?.palette.hairline}` }),
        list: { gap: 20 },
        indicator: { display: "none" },
      },
    },
    MuiTab: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          ...WORD,
          minWidth: 0,
          opacity: 1,
          color: t.vars?.palette.text.secondary,
          "&.Mui-selected": {
            color: t.vars?.palette.text.primary,
            fontWeight: 700,
            borderBottomColor: t.vars?.palette.primary.main,
          },
        }),
      },
    },
    MuiAlert: {
      defaultProps: { icon: false },
      styleOverrides: {
        root: ({ theme: t, ownerState }) => ({
          flexWrap: "wrap",
          alignItems: "center",
          gap: 16,
          padding: "8px 16px",
          font: "inherit",
          borderRadius: 0,
          borderLeft: `4px solid ${ownerState.severity === "error" ? t.vars?.palette.verdict.invalid : t.vars?.palette.primary.main}`,
          color: "inherit",
          backgroundColor: t.vars?.palette.background.paper,
        }),
        message: { flex: 1, minWidth: 200, padding: 0, overflow: "visible" },
        action: { margin: 0, padding: 0 },
      },
    },
    MuiTable: {
      styleOverrides: {
        root: ({ theme: t }) => ({
          fontVariantNumeric: "tabular-nums",
          "& .measure": { whiteSpace: "nowrap" },
          "& tbody tr:hover": { background: t.vars?.palette.background.paper },
        }),
      },
    },
    MuiTableCell: {
      styleOverrides: {
        root: { font: "inherit", padding: "4px 10px", border: 0 },
        head: ({ theme: t }) => ({ fontWeight: 600, color: t.vars?.palette.text.secondary }),
        body: ({ theme: t }) => ({ borderTop: `1px solid ${t.vars?.palette.hairline}` }),
      },
    },
    MuiTableSortLabel: { styleOverrides: { root: { font: "inherit", padding: "8px 0", whiteSpace: "nowrap" } } },
    MuiTooltip: { styleOverrides: { tooltip: { fontSize: "0.9rem" } } },
    MuiCssBaseline: {
      styleOverrides: (t) => ({
        body: { fontVariantNumeric: "tabular-nums" },
        a: { color: t.vars?.palette.text.primary, textUnderlineOffset: 3 },
        "a:focus-visible, button:focus-visible, [tabindex]:focus-visible": {
          outline: `3px solid ${t.vars?.palette.primary.main}`,
          outlineOffset: 2,
        },
        // On paper nothing can be pressed: what is said stays, what one does with it goes.
        "@media print": {
          [ONLY_PRESSED]: { display: "none !important" },
          "fieldset.MuiOutlinedInput-notchedOutline": { border: 0 },
          "tr, li": { breakInside: "avoid" },
          "h1, h2, h3": { breakAfter: "avoid" },
          [SCROLLERS]: { overflow: "visible !important", maxHeight: "none !important", height: "auto !important" },
        },
        // Who asked their device for less movement gets none.
        "@media (prefers-reduced-motion: reduce)": {
          "*, *::before, *::after": { transitionDuration: "0.01ms !important", animationDuration: "0.01ms !important" },
        },
        "::selection": { background: t.vars?.palette.partner.B, color: t.vars?.palette.background.default },
      }),
    },
  },
});
