import type { Role } from "../shared/api/types";

export const roleWords: Record<Role["role"], string> = {
  PAGE_TITLE: "Page title",
  HEADINGS: "Headings",
  RUNNING_TEXT: "Running text",
  NAVIGATION: "Navigation",
  BUTTONS: "Buttons",
  CAPTIONS: "Captions",
  CODE: "Code",
};

export const genericWords: Record<Role["generic"], string> = {
  SERIF: "serif",
  SANS_SERIF: "sans-serif",
  MONOSPACE: "monospace",
  CURSIVE: "cursive",
  SYSTEM_UI: "system-ui",
};
