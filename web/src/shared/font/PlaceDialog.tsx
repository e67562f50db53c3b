import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { Controller, useForm } from "react-hook-form";
import type { Slot } from "../api/types";
import { closing, FormDialog } from "../parts/FormDialog";

/** A place as it is typed. */
type Place = { family: string; weight: number; width: number; slope: string };

const words = {
  family: "Family",
  weight: "Weight",
  weightHelp: "1 to 1000; 400 is regular, 700 bold",
  width: "Width in percent",
  widthHelp: "50 to 200; 100 is normal, 75 condensed",
  slope: "Slope",
};

/** Asks where a file or a face belongs: its family and its slot. Stays open until that is agreed to. */
export function PlaceDialog(props: {
  title: string;
  action: string;
  leave: string;
  family: string;
  slot: Slot;
  help?: string;
  onSave: (place: { family: string; slot: Slot }) => Promise<unknown>;
  onClose: () => void;
}) {
  const { slot } = props;
  const variable = slot.weight !== slot.weightMax || slot.width !== slot.widthMax;
  const { register, handleSubmit, control, formState } = useForm<Place>({
    defaultValues: { family: props.family, weight: slot.weight, width: slot.width, slope: slot.slope },
  });
  const save = handleSubmit(({ family, weight, width, slope }) => {
    const moved = variable ? {} : { weight, weightMax: weight, width, widthMax: width };
    return closing(
      props.onSave({ family: family.trim(), slot: { ...slot, ...moved, slope } }),
      props.onClose,
    );
  });
  return (
    <FormDialog
      title={props.title}
      action={props.action}
      leave={props.leave}
      disabled={formState.isSubmitting}
      onSubmit={save}
      onClose={props.onClose}
    >
      <TextField
        label={words.family}
        {...register("family", { required: true, maxLength: 300 })}
        error={!!formState.errors.family}
      />
      {!variable && (
        <>
          <TextField
            label={words.weight}
            type="number"
            {...register("weight", { required: true, min: 1, max: 1000, valueAsNumber: true })}
            error={!!formState.errors.weight}
            helperText={words.weightHelp}
          />
          <TextField
            label={words.width}
            type="number"
            {...register("width", { required: true, min: 50, max: 200, valueAsNumber: true })}
            error={!!formState.errors.width}
            helperText={words.widthHelp}
          />
        </>
      )}
      <Controller
        name="slope"
        control={control}
        render={({ field }) => (
          <ToggleButtonGroup
            exclusive
            value={field.value}
            aria-label={words.slope}
            onChange={(_, value: string | null) => value && field.onChange(value)}
          >
            <ToggleButton value="upright">Upright</ToggleButton>
            <ToggleButton value="italic">Italic</ToggleButton>
            <ToggleButton value="oblique">Oblique</ToggleButton>
          </ToggleButtonGroup>
        )}
      />
      {props.help && <p className="quiet small">{props.help}</p>}
    </FormDialog>
  );
}
