import Button from "@mui/material/Button";
import { useState } from "react";
import type { WhatIf } from "../api/types";
import { Difference } from "./Difference";
import { previewWords } from "./words";

/** A button that asks what saving what is typed would do to the flags, and shows the answer; nothing is saved. */
export function Preview({ ask }: { ask: () => Promise<WhatIf> }) {
  const [state, setState] = useState<{ asking: boolean; answer?: WhatIf; error?: Error }>({ asking: false });
  const show = async () => {
    setState({ asking: true });
    try {
      setState({ asking: false, answer: await ask() });
    } catch (error) {
      setState({ asking: false, error: error as Error });
    }
  };
  return (
    <>
      <Button disabled={state.asking} onClick={() => void show()}>
        {state.asking ? previewWords.asking : previewWords.ask}
      </Button>
      {state.error && <p className="rubric">{state.error.message}</p>}
      {state.answer && <Difference difference={state.answer} />}
    </>
  );
}
