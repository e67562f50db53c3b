import { useEffect, type ReactNode } from "react";
import { Wordmark } from "../shared/layout/Wordmark";

/** The page before one is signed in: the name of the product, and a form beside it. */
export function SignInLayout({ title, children }: { title: string; children: ReactNode }) {
  useEffect(() => {
    document.title = title;
  }, [title]);
  return (
    <main className="signin">
      <div className="left">
        <h1 className="signin-word">
          <Wordmark />
        </h1>
      </div>
      <div className="line-down" />
      <div className="right">{children}</div>
    </main>
  );
}
