import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useCallback, useEffect, useRef, useState } from "react";
import { useDropzone } from "react-dropzone";
import { useNavigate } from "react-router";
import { api, bodyOf, filesIn } from "../shared/api/client";
import { useGet } from "../shared/api/queries";
import type { Hit } from "../shared/api/types";
import { named } from "../shared/parts/autocomplete";
import { useTell } from "../shared/parts/Messages";
import { useSettled } from "../shared/parts/useSettled";
import { answerTo, kinds, notHeldAs, placeOf, words } from "./words";

/** One search over everything; a font dropped on it or chosen here asks whether it is held. */
export function SearchBox() {
  const navigate = useNavigate();
  const tell = useTell();
  const [typed, setTyped] = useState("");
  const q = useSettled(typed.trim());
  const hits = useGet("/api/search", { query: { q } }, { enabled: q !== "" });
  const field = useRef<HTMLInputElement>(null);
  const ask = async (file: File) => {
    try {
      const body = filesIn("file", [{ file, path: file.name }]);
      const found = await bodyOf(api.POST("/api/search", { body }));
      tell({ text: answerTo(file.name, found) });
      const [first] = found.hits;
      if (found.held && first) {
        await navigate(placeOf(first));
      }
    } catch (error) {
      tell({ text: (error as Error).message, kind: "problem" });
    }
  };
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    multiple: false,
    noClick: true,
    preventDropOnDocument: false,
    noKeyboard: true,
    onDrop: ([file]) => file && void ask(file),
  });
  const answered = q !== "" && hits.data !== undefined && q === typed.trim();
  const entered = useRef("");
  const go = useCallback(
    (hit: Hit) => {
      entered.current = "";
      setTyped("");
      field.current?.blur();
      void navigate(placeOf(hit));
    },
    [navigate],
  );
  useEffect(() => {
    const [first] = hits.data?.hits ?? [];
    if (answered && first && entered.current === q) {
      go(first);
    }
  }, [answered, go, hits.data, q]);
  return (
    <div {...getRootProps({ className: "rail-search", role: "search" })}>
      <input {...getInputProps({ "aria-label": words.ask, tabIndex: -1, style: { display: "none" } })} />
      <Autocomplete
        id="search"
        freeSolo
        autoHighlight
        size="small"
        options={hits.data?.hits ?? []}
        filterOptions={(options) => options}
        groupBy={(hit) => (hit.type === "FAMILY" && hits.data?.held === false ? notHeldAs(q, hits.data) : "")}
        renderGroup={({ key, group, children }) => (
          <li key={key}>
            {group && <div className="hits-group">{group}</div>}
            <ul className="bare-list">{children}</ul>
          </li>
        )}
        // Hits of words that were typed before are shown until others come, and cannot be opened.
        getOptionDisabled={() => !answered}
        onKeyDown={(event) => {
          entered.current = event.key === "Enter" && !answered ? typed.trim() : "";
        }}
        getOptionLabel={(hit) => (typeof hit === "string" ? hit : hit.name)}
        inputValue={typed}
        value={null}
        onInputChange={(_, value) => setTyped(value)}
        onChange={(_, hit) => {
          if (hit && typeof hit !== "string") {
            go(hit);
          }
        }}
        slotProps={{ popper: { className: "search-hits", placement: "bottom-start" } }}
        renderOption={({ key: _, ...props }, hit) => (
          <li {...props} key={hit.type + hit.id + hit.face + hit.name}>
            <Found hit={hit} />
          </li>
        )}
        renderInput={(params) => (
          <TextField
            {...params}
            inputRef={field}
            variant="standard"
            placeholder={isDragActive ? words.dropHint : words.hint}
            slotProps={named(params, words.search)}
          />
        )}
      />
      {answered && hits.data?.held === false && (
        <div className="quiet" role="status">
          {notHeldAs(q, hits.data)}
        </div>
      )}
      <button type="button" className="act minor" onClick={open}>
        {words.ask}
      </button>
    </div>
  );
}

function Found({ hit }: { hit: Hit }) {
  return (
    <span>
      <b>{hit.name}</b>{" "}
      <span className="quiet">
        {kinds[hit.type].name}, {hit.detail}
      </span>
    </span>
  );
}
