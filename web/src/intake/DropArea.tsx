import { useState } from "react";
import { useDropzone } from "react-dropzone";
import { useNavigate } from "react-router";
import { useChange } from "../shared/api/queries";
import { Progress } from "../shared/parts/Progress";
import { send, type Sending } from "./send";
import { sent, words } from "./words";

/** Where archives, folders and files are dropped or chosen; leads to the intake that they become. `flag` is what they answer. */
export function DropArea({ flag }: { flag?: string }) {
  const navigate = useNavigate();
  const [sending, setSending] = useState<Sending | null>(null);
  const open = useChange({
    of: "intake",
    change: async (files: File[]) => {
      try {
        const { id } = await send(files, setSending, flag);
        await navigate(`/intake/${id}`);
      } finally {
        setSending(null);
      }
    },
  });
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    disabled: open.isPending,
    preventDropOnDocument: false,
    noClick: true,
    noKeyboard: true,
    onDrop: (files) => files.length > 0 && open.mutate(files),
  });
  return (
    <label {...getRootProps({ className: isDragActive ? "drop over" : "drop", role: undefined })}>
      <input
        {...getInputProps({
          "aria-label": words.choose,
          className: "for-keyboard",
          style: undefined,
          tabIndex: undefined,
        })}
      />
      <b>{words.dropHere}</b>
      <div className="quiet">{words.chooseWords}</div>
      {open.isPending && (
        <>
          <Progress label={words.sending} done={sending?.part ?? 0} total={1} />
          <div className="quiet">{sent(sending?.part ?? 0)}</div>
        </>
      )}
    </label>
  );
}
