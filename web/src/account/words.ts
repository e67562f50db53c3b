/** What signing in and joining say. */
export const words = {
  motto: "The agency’s licensed families, across all its sites.",
  name: "Name",
  password: "Password",
  signIn: "Sign in",
  signInTitle: "Sign in · Unciala",
  joinTitle: "Join · Unciala",
  choose: "Choose a password",
  again: "Repeat the password",
  length: "10 characters or more",
  tooShort: "A password has 10 characters or more.",
  differ: "The two passwords differ.",
  join: "Join",
};

export function welcome(displayName: string): string {
  return `Welcome, ${displayName}.`;
}
