import Button from "@mui/material/Button";
import { Link } from "react-router";
import { words } from "./words";

/** What can be done with a row of an intake: seeing more of it, and correcting it. */
export function RowActs(props: {
  /** What is seen more of, and of what. */
  more: string;
  name: string;
  /** Where it is compared with what is held; not given where nothing is. */
  compare?: string;
  open: boolean;
  onOpen: (open: boolean) => void;
  /** Begins to correct it; not given where nothing may be corrected. */
  onCorrect?: () => void;
}) {
  const { more, name, compare, open, onOpen, onCorrect } = props;
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
      {compare && (
        <Button size="small" component={Link} to={compare} aria-label={`${words.compare} ${name}`}>
          {words.compare}
        </Button>
      )}
      {onCorrect && (
        <Button size="small" aria-label={`${words.correct} ${name}`} onClick={onCorrect}>
          {words.correct}
        </Button>
      )}
    </div>
  );
}
