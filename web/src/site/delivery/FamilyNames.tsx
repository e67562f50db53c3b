import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useForm } from "react-hook-form";
import { useMayEdit } from "../../shared/account/session";
import type { Site } from "../../shared/api/types";
import { useUnsaved } from "../../shared/parts/unsaved";
import { words } from "./words";

type Props = { site: Site; onSave: (names: Record<string, string>) => Promise<boolean> };

/** The names that families have in the CSS of this site, where a host or a theme wants others than their own. */
export function FamilyNames({ site, onSave }: Props) {
  const mayEdit = useMayEdit();
  const { register, handleSubmit, formState } = useForm<{ names: Record<string, string> }>({
    values: { names: site.familyNames },
    resetOptions: { keepDirtyValues: true },
  });
  useUnsaved(formState.isDirty && !formState.isSubmitting);
  const families = Object.entries(site.families);
  const save = handleSubmit(({ names }) => onSave(names));
  return families.length === 0 ? null : (
    <form onSubmit={(event) => void save(event)}>
      <h2 className="section">
        {words.familyNames} <small>{words.familyNamesAre}</small>
      </h2>
      <div className="form">
        {families.map(([id, name]) => (
          <FamilyName key={id} id={id} name={name} field={register(`names.${id}`)} readOnly={!mayEdit} />
        ))}
      </div>
      {mayEdit && (
        <div className={formState.isDirty ? "savebar" : "in-a-row"}>
          <Button type="submit" variant="contained" disabled={!formState.isDirty || formState.isSubmitting}>
            {words.familyNamesSave}
          </Button>
        </div>
      )}
    </form>
  );
}

type NameProps = {
  id: string;
  name: string;
  field: ReturnType<ReturnType<typeof useForm<{ names: Record<string, string> }>>["register"]>;
  readOnly: boolean;
};

function FamilyName({ id, name, field, readOnly }: NameProps) {
  return (
    <>
      <label className="label" htmlFor={`name-of-${id}`}>
        {name}
      </label>
      <div>
        <TextField id={`name-of-${id}`} placeholder={name} disabled={readOnly} {...field} />
      </div>
    </>
  );
}
