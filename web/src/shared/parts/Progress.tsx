import LinearProgress from "@mui/material/LinearProgress";

type Props = { label: string; done: number; total: number };

/** How much of some work is done; a moving line while it is not known how much there is. */
export function Progress({ label, done, total }: Props) {
  return total > 0 ? (
    <LinearProgress variant="determinate" aria-label={label} value={(100 * done) / total} />
  ) : (
    <LinearProgress aria-label={label} />
  );
}
