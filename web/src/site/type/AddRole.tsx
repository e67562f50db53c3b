import Button from "@mui/material/Button";
import Menu from "@mui/material/Menu";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useMayEdit } from "../../shared/account/session";
import { FormDialog } from "../../shared/parts/FormDialog";
import { roleName, usual } from "../words";
import { isSameRole } from "./roles";
import { words } from "./words";

/** Adds one of the usual text roles, or one of the site's own under a name. */
export function AddRole({ taken, onAdd }: { taken: string[]; onAdd: (role: string) => void }) {
  const mayEdit = useMayEdit();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [naming, setNaming] = useState(false);
  if (!mayEdit) {
    return null;
  }
  const choose = (then: () => void) => () => {
    setAnchor(null);
    then();
  };
  return (
    <>
      <Button
        variant="outlined"
        size="small"
        aria-haspopup="menu"
        onClick={(event) => setAnchor(event.currentTarget)}
      >
        {words.addRole}
      </Button>
      <Menu anchorEl={anchor} open={!!anchor} onClose={() => setAnchor(null)}>
        {usual
          .filter((role) => !taken.includes(role))
          .map((role) => (
            <MenuItem key={role} onClick={choose(() => onAdd(role))}>
              {roleName(role)}
            </MenuItem>
          ))}
        <MenuItem onClick={choose(() => setNaming(true))}>{words.ownRole}</MenuItem>
      </Menu>
      {naming && <NameRole taken={taken} onAdd={onAdd} onClose={() => setNaming(false)} />}
    </>
  );
}

type NameProps = { taken: string[]; onAdd: (role: string) => void; onClose: () => void };

function NameRole({ taken, onAdd, onClose }: NameProps) {
  const { register, handleSubmit, formState } = useForm({ defaultValues: { name: "" } });
  const error = formState.errors.name?.message;
  const add = handleSubmit(({ name }) => {
    onAdd(name.trim().replace(/\s+/g, " "));
    onClose();
  });
  return (
    <FormDialog
      title={words.addRole}
      action={words.add}
      leave={words.leave}
      disabled={false}
      onClose={onClose}
      onSubmit={add}
    >
      <TextField
        label={words.ownName}
        autoFocus
        fullWidth
        error={!!error}
        helperText={error ?? words.ownHelp}
        slotProps={{ htmlInput: { maxLength: 60 } }}
        {...register("name", {
          validate: (name) =>
            !/[\p{L}\p{N}]/u.test(name)
              ? words.ownNeeded
              : [...usual, ...usual.map(roleName), ...taken].some((known) => isSameRole(known, name))
                ? words.ownTaken
                : true,
        })}
      />
    </FormDialog>
  );
}
