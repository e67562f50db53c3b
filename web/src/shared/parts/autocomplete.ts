import type { AutocompleteRenderInputParams } from "@mui/material/Autocomplete";

/** What MUI gives an autocomplete's field, with a name for those who do not see the label beside it. */
export function named(params: AutocompleteRenderInputParams, label: string) {
  return { ...params.slotProps, htmlInput: { ...params.slotProps.htmlInput, "aria-label": label } };
}
