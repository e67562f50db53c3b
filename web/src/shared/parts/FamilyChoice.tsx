import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useGet } from "../api/queries";
import { named } from "./autocomplete";
import { useSettled } from "./useSettled";

export type NamedFamily = { id: string; name: string };

/**
 * What both choices give their field: the families, at most twenty, whose names have the words typed, asked for when
 * typing has come to rest. `chosenName` stands in the field and is not looked for.
 */
function useFamilySearch(chosenName = "") {
  const [typed, setTyped] = useState(chosenName);
  const [open, setOpen] = useState(false);
  const name = useSettled(typed === chosenName ? "" : typed.trim());
  const found = useGet("/api/families", { query: { limit: 20, name: name || undefined } }, { enabled: open });
  return {
    open,
    onOpen: () => setOpen(true),
    onClose: () => setOpen(false),
    options: (found.data?.items ?? []).map((family): NamedFamily => ({ id: family.id, name: family.name })),
    filterOptions: (all: NamedFamily[]) => all,
    getOptionLabel: (family: NamedFamily) => family.name,
    isOptionEqualToValue: (a: NamedFamily, b: NamedFamily) => a.id === b.id,
    inputValue: typed,
    onInputChange: (_: unknown, value: string) => setTyped(value),
  };
}

/** Chooses families out of thousands by a few letters of their names. */
export function FamilyChoice(props: {
  label: string;
  chosen: NamedFamily[];
  onChange: (chosen: NamedFamily[]) => void;
}) {
  return (
    <Autocomplete
      {...useFamilySearch()}
      multiple
      value={props.chosen}
      onChange={(_, chosen) => props.onChange(chosen)}
      limitTags={12}
      renderInput={(params) => (
        <TextField
          {...params}
          variant="standard"
          placeholder={props.chosen.length === 0 ? "Families" : ""}
          slotProps={named(params, props.label)}
        />
      )}
    />
  );
}

/** Chooses one family. */
export function OneFamilyChoice(props: {
  label: string;
  chosen: NamedFamily | null;
  placeholder?: string;
  onChange: (chosen: NamedFamily) => void;
}) {
  return (
    <Autocomplete
      {...useFamilySearch(props.chosen?.name)}
      value={props.chosen}
      onChange={(_, family) => family && props.onChange(family)}
      sx={{ minWidth: 190 }}
      renderInput={(params) => (
        <TextField
          {...params}
          variant="standard"
          placeholder={props.placeholder}
          slotProps={named(params, props.label)}
        />
      )}
    />
  );
}
