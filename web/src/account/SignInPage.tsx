import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useForm } from "react-hook-form";
import { call } from "../shared/api/client";
import { Wordmark } from "../shared/layout/Wordmark";

type Credentials = { name: string; password: string };

export function SignInPage() {
  const client = useQueryClient();
  const { register, handleSubmit, formState } = useForm<Credentials>();
  const [problem, setProblem] = useState("");
  useEffect(() => {
    document.title = "Sign in · Unciala";
  }, []);
  const signIn = handleSubmit(async (credentials) => {
    try {
      await call("POST", "/api/session", credentials);
      await client.invalidateQueries();
    } catch (error) {
      setProblem((error as Error).message);
    }
  });
  return (
    <main className="signin">
      <div className="left">
        <h1 style={{ margin: 0, lineHeight: 0 }}>
          <Wordmark height={92} />
        </h1>
      </div>
      <div className="line-down" />
      <form className="right" onSubmit={(event) => void signIn(event)}>
        <p style={{ marginTop: 0, marginBottom: 22 }}>
          The agency’s licensed families, across all its sites.
        </p>
        <TextField
          label="Name"
          fullWidth
          autoFocus
          autoComplete="username"
          {...register("name", { required: true })}
        />
        <TextField
          label="Password"
          type="password"
          fullWidth
          margin="normal"
          autoComplete="current-password"
          {...register("password", { required: true })}
        />
        {problem && (
          <p role="alert" style={{ color: "var(--soon)", fontWeight: 600 }}>
            {problem}
          </p>
        )}
        <Button type="submit" variant="contained" sx={{ mt: 2 }} disabled={formState.isSubmitting}>
          Sign in
        </Button>
      </form>
    </main>
  );
}
