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
import { words } from "./words";

type Fields = { family: string; weight: number; slope: string };

/** Where the file is wrong about itself, a person says what it is; the file stays as it came. */
export function CorrectDialog(props: {
  row: FileRow;
  onCorrect: (change: Correction) => Promise<unknown>;
  onClose: () => void;
}) {
  const { row } = props;
  const variable = row.slot.weight !== row.slot.weightMax;
  const { register, handleSubmit, control, formState } = useForm<Fields>({
    defaultValues: { family: row.family, weight: row.slot.weight, slope: row.slot.slope },
  });
  const correct = handleSubmit(async (fields) => {
    const weight = Number(fields.weight);
    const slot = { ...row.slot, slope: fields.slope, ...(variable ? {} : { weight, weightMax: weight }) };
    const done = await props.onCorrect({ family: fields.family, slot }).then(
      () => true,
      () => false,
    );
    if (done) {
      props.onClose();
    }
  });
  return (
    <Dialog open onClose={props.onClose} fullWidth maxWidth="xs" aria-labelledby="correct-title">
      <form onSubmit={(event) => void correct(event)}>
        <DialogTitle id="correct-title">{baseName(row.path)}</DialogTitle>
        <DialogContent className="dialog-fields">
          <TextField
            label={words.family}
            {...register("family", { required: true, maxLength: 300 })}
            error={!!formState.errors.family}
          />
          {!variable && (
            <TextField
              label={words.weight}
              type="number"
              {...register("weight", { required: true, min: 1, max: 1000 })}
              error={!!formState.errors.weight}
              helperText={words.weightHelp}
            />
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
        </DialogContent>
        <DialogActions>
          <Button onClick={props.onClose}>{words.leave}</Button>
          <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
            {words.correct}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
