import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { api } from "../shared/api/client";
import { words } from "./words";

type Credentials = { name: string; password: string };

/** Signs in; `name` is known already when a session is taken up again. */
export function SignInForm({ name, onSignedIn }: { name?: string; onSignedIn: () => Promise<unknown> }) {
  const { register, handleSubmit, formState, setFocus } = useForm<Credentials>({
    defaultValues: { name: name ?? "", password: "" },
  });
  const [problem, setProblem] = useState("");
  const signIn = handleSubmit(async (credentials) => {
    try {
      await api.POST("/api/session", { body: credentials });
      await onSignedIn();
    } catch (error) {
      setProblem((error as Error).message);
      setFocus("password");
    }
  });
  return (
    <form onSubmit={(event) => void signIn(event)}>
      <TextField
        label={words.name}
        fullWidth
        autoFocus={!name}
        autoComplete="username"
        slotProps={{ htmlInput: { readOnly: name !== undefined } }}
        {...register("name", { required: true })}
      />
      <TextField
        label={words.password}
        type="password"
        fullWidth
        margin="normal"
        autoFocus={name !== undefined}
        autoComplete="current-password"
        {...register("password", { required: true })}
      />
      {problem && (
        <p role="alert" className="problem-text">
          {problem}
        </p>
      )}
      <Button type="submit" variant="contained" sx={{ mt: 2 }} disabled={formState.isSubmitting}>
        {words.signIn}
      </Button>
    </form>
  );
}
