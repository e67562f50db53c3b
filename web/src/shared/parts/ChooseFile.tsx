import Button from "@mui/material/Button";
import { useRef, type ReactNode } from "react";

type Props = {
  /** What the file is, for those who cannot see the button. */
  label: string;
  /** The kinds of files that are offered first, as a file input has them. */
  accept?: string;
  outlined?: boolean;
  disabled?: boolean;
  onFile: (file: File) => void;
  children: ReactNode;
};

/** A button by which one file is chosen; choosing the same file again counts, too. */
export function ChooseFile({ label, accept, outlined, disabled, onFile, children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        variant={outlined ? "outlined" : "text"}
        size="small"
        disabled={disabled}
        onClick={() => input.current?.click()}
      >
        {children}
      </Button>
      <input
        ref={input}
        hidden
        type="file"
        accept={accept}
        aria-label={label}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) {
            onFile(file);
          }
          event.target.value = "";
        }}
      />
    </>
  );
}
