import TextField from "@mui/material/TextField";
import { Controller, useForm } from "react-hook-form";
import { Choice } from "../parts/Choice";
import { closing, FormDialog } from "../parts/FormDialog";
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
  const save = handleSubmit(({ name, foundry, classification }) =>
    closing(
      props.onSave({
        name: name.trim(),
        foundry: foundry.trim(),
        classification: isClassification(classification) ? classification : null,
      }),
      props.onClose,
    ),
  );
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
    </FormDialog>
  );
}
