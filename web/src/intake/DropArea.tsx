import LinearProgress from "@mui/material/LinearProgress";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { call } from "../shared/api/client";
import { useChange } from "../shared/api/queries";
import { filesOf, type Dropped } from "./dropped";

/** Where archives, folders and files are dropped or chosen; leads to the intake that they become. */
export function DropArea() {
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const open = useChange(async (files: Dropped[]) => {
    const form = new FormData();
    for (const { file, path } of files) {
      form.append("files", file, path);
    }
    const { id } = await call<{ id: string }>("POST", "/api/intakes", form);
    await navigate(`/intake/${id}`);
  });
  const send = (files: Dropped[]) => files.length > 0 && open.mutate(files);
  return (
    <label
      className={over ? "drop over" : "drop"}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        void filesOf(event.dataTransfer).then(send);
      }}
    >
      <b>Drop archives, folders or font files here</b>
      <div className="quiet">
        or <span style={{ color: "var(--click)", textDecoration: "underline" }}>choose files</span>. Each is
        read from its bytes; nothing enters the inventory before you accept it.
      </div>
      <input
        ref={input}
        type="file"
        multiple
        aria-label="Choose files"
        style={{ position: "absolute", opacity: 0, width: 1, height: 1 }}
        onChange={(event) => {
          send([...(event.target.files ?? [])].map((file) => ({ file, path: file.name })));
          event.target.value = "";
        }}
      />
      {open.isPending && <LinearProgress sx={{ mt: 2 }} aria-label="Sending" />}
    </label>
  );
}
