import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useEffect, useState } from "react";
import { useForm } from "react-hook-form";
import { useParams } from "react-router";
import { call } from "../shared/api/client";
import { useOne } from "../shared/api/queries";
import type { Person } from "../shared/api/types";
import { Wordmark } from "../shared/layout/Wordmark";
import { levelWords } from "./session";

type Fields = { password: string; again: string };

/** Where a one-time link leads: the person chooses a password and is signed in. */
export function JoinPage() {
  const { token = "" } = useParams();
  const address = `/api/invitations/${encodeURIComponent(token)}`;
  const invited = useOne<Person>(address);
  const { register, handleSubmit, formState } = useForm<Fields>();
  const [problem, setProblem] = useState("");
  useEffect(() => {
    document.title = "Join · Unciala";
  }, []);
  const join = handleSubmit(async ({ password, again }) => {
    if (password !== again) {
      setProblem("The two passwords differ.");
      return;
    }
    try {
      const person = await call<Person>("POST", address, { password });
      await call("POST", "/api/session", { name: person.name, password });
      window.location.assign("/");
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
      <form className="right" onSubmit={(event) => void join(event)}>
        {invited.error && <p role="alert">{invited.error.message}</p>}
        {invited.data && (
          <>
            <p style={{ marginTop: 0 }}>
              Welcome, {invited.data.displayName}. You sign in as <b>{invited.data.name}</b> and join as{" "}
              {levelWords[invited.data.level].toLowerCase()}.
            </p>
            <TextField
              label="Choose a password"
              type="password"
              fullWidth
              autoFocus
              autoComplete="new-password"
              helperText="10 characters or more"
              {...register("password", { required: true, minLength: 10 })}
            />
            <TextField
              label="The same again"
              type="password"
              fullWidth
              margin="normal"
              autoComplete="new-password"
              {...register("again", { required: true })}
            />
            {(problem || formState.errors.password) && (
              <p role="alert" style={{ color: "var(--soon)", fontWeight: 600 }}>
                {problem || "A password has 10 characters or more."}
              </p>
            )}
            <Button type="submit" variant="contained" sx={{ mt: 2 }} disabled={formState.isSubmitting}>
              Join
            </Button>
          </>
        )}
      </form>
    </main>
  );
}
