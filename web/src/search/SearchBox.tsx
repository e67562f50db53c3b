import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { call } from "../shared/api/client";
import type { Hit } from "../shared/api/types";
import { named } from "../shared/parts/autocomplete";
import { useTell } from "../shared/parts/Messages";

const places: Record<Hit["type"], [string, string]> = {
  FAMILY: ["/families/", "Family"],
  FILE: ["/families/", "File"],
  SITE: ["/sites/", "Site"],
  LICENSE: ["/licenses/", "License"],
};

/** One search over everything; a font dropped on it asks whether it is held. */
export function SearchBox() {
  const navigate = useNavigate();
  const tell = useTell();
  const [words, setWords] = useState("");
  const [over, setOver] = useState(false);
  const hits = useQuery({
    queryKey: ["/api/search", words],
    enabled: words.trim().length > 0,
    queryFn: ({ signal }) =>
      call<Hit[]>("GET", `/api/search?q=${encodeURIComponent(words)}`, undefined, { signal }),
  });
  const ask = async (file: File) => {
    const form = new FormData();
    form.append("file", file);
    try {
      const [first] = await call<Hit[]>("POST", "/api/search", form);
      if (first) {
        tell({ text: `Yes: ${first.name} ${first.detail}.` });
        await navigate(`/families/${first.id}`);
      } else {
        tell({ text: `No, ${file.name} is not held under any name.` });
      }
    } catch (error) {
      tell({ text: (error as Error).message, kind: "problem" });
    }
  };
  return (
    <div
      className="rail-search"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const file = event.dataTransfer.files[0];
        if (file) {
          void ask(file);
        }
      }}
    >
      <Autocomplete
        id="search"
        freeSolo
        size="small"
        options={hits.data ?? []}
        filterOptions={(options) => options}
        getOptionLabel={(hit) => (typeof hit === "string" ? hit : hit.name)}
        inputValue={words}
        value={null}
        onInputChange={(_, value) => setWords(value)}
        onChange={(_, hit) => {
          if (hit && typeof hit !== "string") {
            setWords("");
            void navigate(places[hit.type][0] + hit.id);
          }
        }}
        slotProps={{ popper: { style: { width: 380 }, placement: "bottom-start" } }}
        renderOption={({ key: _, ...props }, hit) => (
          <li {...props} key={hit.type + hit.id + hit.name}>
            <span>
              <b>{hit.name}</b>{" "}
              <span className="quiet">
                {places[hit.type][1]}, {hit.detail}
              </span>
            </span>
          </li>
        )}
        renderInput={(params) => (
          <TextField
            {...params}
            variant="standard"
            placeholder={over ? "Do we hold this?" : "Search  /"}
            slotProps={named(params, "Search")}
          />
        )}
      />
    </div>
  );
}
