import Tooltip from "@mui/material/Tooltip";
import type { ReactNode } from "react";
import { glossary, type GlossaryTerm } from "./glossary";

/** A word of the glossary where it is first used on a page: what it means is told on hover and on focus. */
export function Term({ of, children }: { of: GlossaryTerm; children: ReactNode }) {
  return (
    <Tooltip describeChild enterTouchDelay={0} title={glossary[of].says}>
      <button type="button" className="term">
        {children}
      </button>
    </Tooltip>
  );
}
