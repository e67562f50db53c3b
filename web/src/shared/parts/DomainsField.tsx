import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { named } from "./autocomplete";
import { domainsIn } from "./domains";

/** Domains as they are typed or pasted, several at once; what is typed counts when the field is left, too. */
export function DomainsField(props: {
  id?: string;
  label: string;
  value: string[];
  onChange: (domains: string[]) => void;
  placeholder: string;
  help: string;
}) {
  return (
    <Autocomplete
      id={props.id}
      multiple
      freeSolo
      autoSelect
      options={[] as string[]}
      value={props.value}
      onChange={(_, value) => props.onChange([...new Set(value.flatMap(domainsIn))])}
      renderInput={(params) => (
        <TextField
          {...params}
          variant="standard"
          slotProps={named(params, props.label)}
          placeholder={props.value.length === 0 ? props.placeholder : ""}
          helperText={props.help}
        />
      )}
    />
  );
}
