import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";

/** What is sent, and what is read for it. */
export type Option<V extends string = string> = readonly [value: V, said: string];

type Props<V extends string> = {
  /** The name of the field, shown above it unless `hideLabel` says that the words around it tell it. */
  label: string;
  hideLabel?: boolean;
  value: V;
  options: readonly Option<V>[];
  onChange: (value: V) => void;
  disabled?: boolean;
  width?: number;
};

/** One of a few things, chosen from a menu. A value that is none of them is shown as the first. */
export function Choice<V extends string>(props: Props<V>) {
  const { label, hideLabel, value, options } = props;
  const shown = options.some(([known]) => known === value) ? value : (options[0]?.[0] ?? "");
  return (
    <TextField
      select
      size="small"
      label={hideLabel ? undefined : label}
      value={shown}
      disabled={props.disabled}
      sx={props.width ? { minWidth: `min(${props.width}px, 100%)`, maxWidth: "100%" } : undefined}
      slotProps={{
        htmlInput: hideLabel ? { "aria-label": label } : {},
        select: { displayEmpty: hideLabel },
      }}
      onChange={(event) => {
        const chosen = options.find(([known]) => known === event.target.value);
        if (chosen) {
          props.onChange(chosen[0]);
        }
      }}
    >
      {options.map(([known, said]) => (
        <MenuItem key={known} value={known}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
}
