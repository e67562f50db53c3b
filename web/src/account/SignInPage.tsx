import { useQueryClient } from "@tanstack/react-query";
import { SignInLayout } from "./SignInLayout";
import { SignInForm } from "./SignInForm";
import { words } from "./words";

export function SignInPage() {
  const client = useQueryClient();
  return (
    <SignInLayout title={words.signInTitle}>
      <p className="first">{words.motto}</p>
      <SignInForm onSignedIn={() => client.invalidateQueries()} />
    </SignInLayout>
  );
}
