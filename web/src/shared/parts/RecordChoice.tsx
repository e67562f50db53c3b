import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useGet } from "../api/queries";
import { named } from "./autocomplete";
import { useSettled } from "./useSettled";

const MOST = 20;

/** A record by its name; a family with what kind of type it is, where that is known. */
export type NamedRecord = { id: string; name: string; classification?: string };

type Find = (name: string | undefined, enabled: boolean) => NamedRecord[];

const useFamilies: Find = (name, enabled) =>
  useGet("/api/families", { query: { limit: MOST, name } }, { enabled, keepShown: true }).data?.items ?? [];

const useLicenses: Find = (name, enabled) =>
  (
    useGet("/api/licenses", { query: { limit: MOST, name } }, { enabled, keepShown: true }).data?.items ?? []
  ).map((license) => ({
    id: license.id,
    name: license.terms.name,
  }));

/**
 * What all choices give their field: the records, at most twenty, whose names have the words typed, asked for when
 * typing has come to rest. `chosenName` stands in the field and is not looked for.
 */
function useNameSearch(find: Find, chosenName = "") {
  const [typed, setTyped] = useState(chosenName);
  const [open, setOpen] = useState(false);
  const name = useSettled(typed === chosenName ? "" : typed.trim());
  const found = find(name || undefined, open);
  return {
    open,
    onOpen: () => setOpen(true),
    onClose: () => setOpen(false),
    options: found.map(({ id, name: said, classification }): NamedRecord => ({
      id,
      name: said,
      classification,
    })),
    filterOptions: (all: NamedRecord[]) => all,
    getOptionLabel: (record: NamedRecord) => record.name,
    isOptionEqualToValue: (a: NamedRecord, b: NamedRecord) => a.id === b.id,
    inputValue: typed,
    onInputChange: (_: unknown, value: string) => setTyped(value),
  };
}

/** Chooses families out of thousands by a few letters of their names. */
export function FamilyChoice(props: {
  label: string;
  chosen: NamedRecord[];
  onChange: (chosen: NamedRecord[]) => void;
}) {
  return (
    <Autocomplete
      {...useNameSearch(useFamilies)}
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

type OneProps<Chosen> = {
  label: string;
  chosen: NamedRecord | null;
  placeholder?: string;
  onChange: (chosen: Chosen) => void;
};

function OneChoice(props: OneProps<NamedRecord | null> & { find: Find; width: number }) {
  return (
    <Autocomplete
      {...useNameSearch(props.find, props.chosen?.name)}
      value={props.chosen}
      onChange={(_, record) => props.onChange(record)}
      sx={{ minWidth: props.width }}
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

/** Chooses one family. */
export function OneFamilyChoice({ onChange, ...props }: OneProps<NamedRecord>) {
  return (
    <OneChoice {...props} find={useFamilies} width={190} onChange={(family) => family && onChange(family)} />
  );
}

/** Chooses a recorded license, or none. */
export function LicenseChoice(props: OneProps<NamedRecord | null>) {
  return <OneChoice {...props} find={useLicenses} width={270} />;
}
