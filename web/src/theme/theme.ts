import { createTheme } from "@mui/material/styles";
import { box, cross } from "./marks";

const text = '"Ysabeau Office Variable", "Gill Sans", sans-serif';

/** A color to fill with. Under the pointer it moves towards the ink, so that what is written on it in paper stays legible on both papers. */
function filled(name: string) {
  const main = `var(--${name})`;
  const pressed = `color-mix(in oklab, ${main} 82%, var(--ink))`;
  return { main, dark: pressed, light: pressed, contrastText: "var(--paper)" };
}

/** Colors are named here and set in colors.css alone, for light and dark paper. */
const palette = {
  primary: filled("click"),
  secondary: filled("ink"),
  error: filled("rubric"),
  success: filled("allowed"),
  warning: filled("soon"),
  text: { primary: "var(--ink)", secondary: "var(--ink-soft)" },
  background: { default: "var(--paper)", paper: "var(--paper-light)" },
  divider: "var(--rule)",
};

const sheet = { border: "1px solid var(--rule-strong)", backgroundImage: "none" };

/** MUI's components in our own look: ruled lines for boxes, no shadows, ink and paper. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: '[data-scheme="%s"]', nativeColor: true },
  colorSchemes: { light: { palette }, dark: { palette } },
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
      styleOverrides: { paper: sheet },
    },
    MuiMenu: {
      styleOverrides: { paper: sheet },
    },
    MuiAutocomplete: {
      styleOverrides: { paper: sheet },
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
      defaultProps: { deleteIcon: cross },
      styleOverrides: {
        root: {
          borderRadius: 2,
          background: "var(--paper-light)",
          border: "1px solid var(--rule-strong)",
          fontSize: 15.5,
          height: 27,
        },
        deleteIcon: { color: "var(--ink-soft)", "&:hover": { color: "var(--ink)" } },
      },
    },
    MuiSlider: {
      styleOverrides: {
        root: { color: "var(--ink)", height: 1, borderRadius: 0 },
        rail: { opacity: 1, background: "var(--rule-strong)" },
        track: { border: 0, height: 3 },
        thumb: {
          width: 3,
          height: 20,
          borderRadius: 0,
          "&::before": { boxShadow: "none" },
          "&:hover, &.Mui-focusVisible, &.Mui-active": { boxShadow: "none" },
          "&.Mui-focusVisible": { outline: "2px solid var(--click)", outlineOffset: 3 },
        },
        valueLabel: {
          background: "none",
          color: "var(--ink)",
          fontSize: 14,
          padding: 0,
          "&::before": { display: "none" },
        },
      },
    },
    MuiCheckbox: {
      defaultProps: { icon: box(false), checkedIcon: box(true), disableRipple: true },
      styleOverrides: {
        root: {
          color: "var(--ink)",
          "&.Mui-checked": { color: "var(--ink)" },
          "&.Mui-focusVisible": { outline: "2px solid var(--click)", outlineOffset: -3 },
        },
      },
    },
    MuiDialogTitle: { styleOverrides: { root: { font: "600 22px/1.25 var(--display)", paddingBottom: 8 } } },
    MuiDialogActions: { styleOverrides: { root: { padding: "8px 24px 18px", gap: 8 } } },
    MuiMenuItem: {
      styleOverrides: {
        root: {
          paddingBlock: 4,
          "&.Mui-selected, &.Mui-selected:hover": {
            background: "none",
            fontWeight: 700,
            boxShadow: "inset 3px 0 0 var(--ink)",
          },
          "&.Mui-focusVisible, &:hover": { background: "var(--paper-deep)" },
        },
      },
    },
    MuiTooltip: {
      styleOverrides: { tooltip: { background: "var(--ink)", color: "var(--paper)", fontSize: 14 } },
    },
    MuiLinearProgress: { styleOverrides: { root: { height: 3, background: "var(--rule)" } } },
    MuiCssBaseline: { styleOverrides: { body: { fontFeatureSettings: '"kern", "liga"' } } },
  },
});
