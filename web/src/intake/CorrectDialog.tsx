import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { Controller, useForm } from "react-hook-form";
import type { Correction, FileRow } from "../shared/api/types";
import { baseName } from "../shared/parts/format";

type Fields = { family: string; weight: number; slope: string };

/** Where the file is wrong about itself, a person says what it is; the file stays as it came. */
export function CorrectDialog(props: {
  row: FileRow;
  onCorrect: (change: Correction) => void;
  onClose: () => void;
}) {
  const { row } = props;
  const variable = row.slot.weight !== row.slot.weightMax;
  const { register, handleSubmit, control, formState } = useForm<Fields>({
    defaultValues: { family: row.family, weight: row.slot.weight, slope: row.slot.slope },
  });
  const correct = handleSubmit((fields) => {
    const weight = Number(fields.weight);
    const slot = { ...row.slot, slope: fields.slope, ...(variable ? {} : { weight, weightMax: weight }) };
    props.onCorrect({ family: fields.family, slot });
  });
  return (
    <Dialog open onClose={props.onClose} fullWidth maxWidth="xs" aria-labelledby="correct-title">
      <form onSubmit={(event) => void correct(event)}>
        <DialogTitle id="correct-title">{baseName(row.path)}</DialogTitle>
        <DialogContent sx={{ display: "grid", gap: 2 }}>
          <TextField
            label="Family"
            {...register("family", { required: true, maxLength: 300 })}
            error={!!formState.errors.family}
          />
          {!variable && (
            <TextField
              label="Weight"
              type="number"
              {...register("weight", { required: true, min: 1, max: 1000 })}
              error={!!formState.errors.weight}
              helperText="1 to 1000; 400 is regular, 700 bold"
            />
          )}
          <Controller
            name="slope"
            control={control}
            render={({ field }) => (
              <ToggleButtonGroup
                exclusive
                value={field.value}
                aria-label="Slope"
                onChange={(_, value) => value && field.onChange(value)}
              >
                <ToggleButton value="upright">Upright</ToggleButton>
                <ToggleButton value="italic">Italic</ToggleButton>
                <ToggleButton value="oblique">Oblique</ToggleButton>
              </ToggleButtonGroup>
            )}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={props.onClose}>Leave as it is</Button>
          <Button type="submit" variant="contained">
            Correct
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
