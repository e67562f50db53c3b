import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useGet } from "../api/queries";
import { named } from "./autocomplete";
import { useSettled } from "./useSettled";

export type NamedFamily = { id: string; name: string };

/** The families whose names have some words, at most twenty; asked for when typing has come to rest. */
function useFamiliesNamed(words: string, wanted: boolean): NamedFamily[] {
  const name = useSettled(words.trim());
  const found = useGet(
    "/api/families",
    { query: { limit: 20, name: name || undefined } },
    { enabled: wanted },
  );
  return found.data?.items ?? [];
}

/** Chooses families out of thousands by a few letters of their names. */
export function FamilyChoice(props: {
  label: string;
  chosen: NamedFamily[];
  onChange: (chosen: NamedFamily[]) => void;
}) {
  const [words, setWords] = useState("");
  const [open, setOpen] = useState(false);
  const options = useFamiliesNamed(words, open);
  return (
    <Autocomplete
      multiple
      open={open}
      onOpen={() => setOpen(true)}
      onClose={() => setOpen(false)}
      options={options}
      filterOptions={(all) => all}
      getOptionLabel={(family) => family.name}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      value={props.chosen}
      inputValue={words}
      onInputChange={(_, value) => setWords(value)}
      onChange={(_, chosen) => props.onChange(chosen.map(({ id, name }) => ({ id, name })))}
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
  const [words, setWords] = useState(props.chosen?.name ?? "");
  const [open, setOpen] = useState(false);
  const options = useFamiliesNamed(words === props.chosen?.name ? "" : words, open);
  return (
    <Autocomplete
      open={open}
      onOpen={() => setOpen(true)}
      onClose={() => setOpen(false)}
      options={options}
      filterOptions={(all) => all}
      getOptionLabel={(family) => family.name}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      value={props.chosen}
      inputValue={words}
      onInputChange={(_, value) => setWords(value)}
      onChange={(_, family) => family && props.onChange({ id: family.id, name: family.name })}
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
