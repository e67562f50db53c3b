import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useParams } from "react-router";
import { levelWords } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useGet } from "../shared/api/queries";
import { Shown } from "../shared/states/States";
import { SignInLayout } from "./SignInLayout";
import { welcome, words } from "./words";

type Fields = { password: string; again: string };

/** Where a one-time link leads: the person chooses a password and is signed in. */
export function JoinPage() {
  const { token = "" } = useParams();
  const path = { token };
  const invited = useGet("/api/invitations/{token}", { path });
  const { register, handleSubmit, formState } = useForm<Fields>();
  const [problem, setProblem] = useState("");
  const join = handleSubmit(async ({ password, again }) => {
    if (password !== again) {
      setProblem(words.differ);
      return;
    }
    try {
      const person = await bodyOf(
        api.POST("/api/invitations/{token}", { params: { path }, body: { password } }),
      );
      await api.POST("/api/session", { body: { name: person.name, password } });
      window.location.assign("/");
    } catch (error) {
      setProblem((error as Error).message);
    }
  });
  return (
    <SignInLayout title={words.joinTitle}>
      <Shown of={invited} lines={3}>
        {(person) => (
          <form onSubmit={(event) => void join(event)}>
            <p className="first">
              {welcome(person.displayName)} You sign in as <b>{person.name}</b> and join as{" "}
              {levelWords[person.level].toLowerCase()}.
            </p>
            <TextField
              label={words.choose}
              type="password"
              fullWidth
              autoFocus
              autoComplete="new-password"
              helperText={words.length}
              {...register("password", { required: true, minLength: 10 })}
            />
            <TextField
              label={words.again}
              type="password"
              fullWidth
              margin="normal"
              autoComplete="new-password"
              {...register("again", { required: true })}
            />
            {(problem || formState.errors.password) && (
              <p role="alert" className="problem-text">
                {problem || words.tooShort}
              </p>
            )}
            <Button type="submit" variant="contained" sx={{ mt: 2 }} disabled={formState.isSubmitting}>
              {words.join}
            </Button>
          </form>
        )}
      </Shown>
    </SignInLayout>
  );
}
