import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { Controller, useForm } from "react-hook-form";
import { Choice } from "../parts/Choice";
import { classifications, isClassification, type Classification } from "./classification";

type Fields = { name: string; foundry: string; classification: string };

/** What a person says of a family; null where no kind of type is known. */
export type Description = { name: string; foundry: string; classification: Classification | null };

/** Asks what a family is: its name, its foundry, its kind of type. Stays open until that is agreed to. */
export function DescribeFamily(props: {
  title: string;
  action: string;
  leave: string;
  family: Fields;
  /** Why the kind of type was proposed; empty where somebody chose it. */
  because?: string;
  onSave: (description: Description) => Promise<unknown>;
  onClose: () => void;
}) {
  const { register, handleSubmit, control, formState } = useForm<Fields>({
    defaultValues: {
      name: props.family.name,
      foundry: props.family.foundry,
      classification: props.family.classification,
    },
  });
  const save = handleSubmit(async ({ name, foundry, classification }) => {
    const done = await props
      .onSave({
        name: name.trim(),
        foundry: foundry.trim(),
        classification: isClassification(classification) ? classification : null,
      })
      .then(
        () => true,
        () => false,
      );
    if (done) {
      props.onClose();
    }
  });
  return (
    <Dialog open onClose={props.onClose} fullWidth maxWidth="xs" aria-labelledby="describe-family">
      <form onSubmit={(event) => void save(event)}>
        <DialogTitle id="describe-family">{props.title}</DialogTitle>
        <DialogContent className="dialog-fields">
          <TextField
            label="Name of the family"
            {...register("name", { required: "A family needs a name.", maxLength: 300 })}
            error={!!formState.errors.name}
            helperText={formState.errors.name?.message}
          />
          <TextField label="Foundry" {...register("foundry", { maxLength: 300 })} />
          <Controller
            name="classification"
            control={control}
            render={({ field }) => (
              <Choice
                label="Kind of type"
                options={classifications}
                value={field.value}
                onChange={field.onChange}
              />
            )}
          />
          {props.because && <p className="quiet small">Proposed because {props.because}.</p>}
        </DialogContent>
        <DialogActions>
          <Button onClick={props.onClose}>{props.leave}</Button>
          <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
            {props.action}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
