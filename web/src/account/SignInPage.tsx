import { useQueryClient } from "@tanstack/react-query";
import { Door } from "./Door";
import { SignInForm } from "./SignInForm";
import { words } from "./words";

export function SignInPage() {
  const client = useQueryClient();
  return (
    <Door title={words.signInTitle}>
      <p className="first">{words.motto}</p>
      <SignInForm onSignedIn={() => client.invalidateQueries()} />
    </Door>
  );
}
