import Button from "@mui/material/Button";
import { words } from "./words";

/** What can be done with a row of an intake: seeing more of it, and correcting it. */
export function RowActs(props: {
  /** What is seen more of, and of what. */
  more: string;
  name: string;
  open: boolean;
  onOpen: (open: boolean) => void;
  /** Begins to correct it; not given where nothing may be corrected. */
  onCorrect?: () => void;
}) {
  const { more, name, open, onOpen, onCorrect } = props;
  return (
    <div className="acts">
      <Button
        size="small"
        aria-expanded={open}
        aria-label={`${more} of ${name}`}
        onClick={() => onOpen(!open)}
      >
        {more}
      </Button>
      {onCorrect && (
        <Button size="small" aria-label={`${words.correct} ${name}`} onClick={onCorrect}>
          {words.correct}
        </Button>
      )}
    </div>
  );
}
