import { createTheme } from "@mui/material/styles";

const text = '"Ysabeau Office Variable", "Gill Sans", sans-serif';

/** MUI's components in our own look: ruled lines for boxes, no shadows, ink and paper; colors are in colors.css too. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-scheme="%s"]' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: "#1f4f99" },
        secondary: { main: "#221d18" },
        error: { main: "#a8231c" },
        success: { main: "#2a6336" },
        warning: { main: "#805300" },
        text: { primary: "#221d18", secondary: "#62584c" },
        background: { default: "#f7f1e3", paper: "#fbf7ec" },
        divider: "#d3c6ab",
      },
    },
    dark: {
      palette: {
        primary: { main: "#9fc0f5" },
        secondary: { main: "#ede4d3" },
        error: { main: "#f08a80" },
        success: { main: "#8fcb9b" },
        warning: { main: "#e2b65c" },
        text: { primary: "#ede4d3", secondary: "#b8ab98" },
        background: { default: "#1b1815", paper: "#24201c" },
        divider: "#453d34",
      },
    },
  },
  shape: { borderRadius: 2 },
  shadows: Array(25).fill("none") as never,
  typography: {
    fontFamily: text,
    fontSize: 15,
    fontWeightRegular: 450,
    fontWeightMedium: 600,
    button: { textTransform: "none", fontWeight: 600, letterSpacing: 0, fontSize: 16 },
    body1: { fontSize: 17, lineHeight: 1.45 },
    body2: { fontSize: 15.5, lineHeight: 1.4 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      styleOverrides: {
        root: {
          padding: "4px 14px",
          borderRadius: 2,
          "&:focus-visible": { outline: "2px solid currentColor", outlineOffset: 2 },
        },
        outlined: { borderColor: "currentColor" },
        text: { padding: "2px 6px" },
      },
    },
    MuiTextField: { defaultProps: { variant: "standard" } },
    MuiSelect: { defaultProps: { variant: "standard" } },
    MuiFormControl: { defaultProps: { variant: "standard" } },
    MuiDialog: {
      styleOverrides: { paper: { border: "1px solid var(--rule-strong)", backgroundImage: "none" } },
    },
    MuiMenu: {
      styleOverrides: { paper: { border: "1px solid var(--rule-strong)", backgroundImage: "none" } },
    },
    MuiAutocomplete: {
      styleOverrides: { paper: { border: "1px solid var(--rule-strong)", backgroundImage: "none" } },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          padding: "2px 10px",
          fontSize: 15,
          color: "var(--ink-soft)",
          borderColor: "var(--rule-strong)",
          "&.Mui-selected": { color: "var(--ink)", background: "var(--paper-deep)", fontWeight: 700 },
        },
      },
    },
    MuiChip: {
      styleOverrides: {
        root: {
          borderRadius: 2,
          background: "var(--paper-light)",
          border: "1px solid var(--rule-strong)",
          fontSize: 15.5,
          height: 27,
        },
        deleteIcon: { color: "var(--ink-soft)", fontSize: 17 },
      },
    },
    MuiTooltip: {
      styleOverrides: { tooltip: { background: "var(--ink)", color: "var(--paper)", fontSize: 14 } },
    },
    MuiLinearProgress: { styleOverrides: { root: { height: 3, background: "var(--rule)" } } },
    MuiCssBaseline: { styleOverrides: { body: { fontFeatureSettings: '"kern", "liga"' } } },
  },
});
