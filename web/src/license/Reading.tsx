import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState, type ReactNode } from "react";
import { useDropzone } from "react-dropzone";
import { useFormContext } from "react-hook-form";
import { api, bodyOf, filesIn } from "../shared/api/client";
import type { AgreementReading, LicenseDraft, Proposal } from "../shared/api/types";
import { Choice } from "../shared/parts/Choice";
import { quotable, taken, termsOf, valueInWords } from "./proposals";
import { found, words } from "./words";

type State = { reading: boolean; read?: AgreementReading; error?: Error };

type Props = {
  /** The license whose attached document can be read. */
  stored?: string;
  onFile?: (file: File) => void;
  /** Told whether there is a text to stand beside the terms. */
  onRead: (shown: boolean) => void;
};

/**
 * An agreement beside the terms: dropped, pasted or read from the license. What its sentences seem to say is proposed
 * with their words; a person takes it over, one by one or all, and may mark a sentence as the clause of a term.
 */
export function Reading({ stored, onFile, onRead }: Props) {
  const [state, setState] = useState<State>({ reading: false });
  const [pasted, setPasted] = useState("");
  const read = async (ask: () => Promise<AgreementReading>) => {
    setState({ reading: true });
    try {
      setState({ reading: false, read: await ask() });
      onRead(true);
    } catch (error) {
      setState({ reading: false, error: error as Error });
    }
  };
  const { getRootProps, getInputProps, isDragActive, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => {
      if (file) {
        onFile?.(file);
        void read(() =>
          bodyOf(api.POST("/api/licenses/reading", { body: filesIn("file", [{ file, path: file.name }]) })),
        );
      }
    },
  });
  return (
    <div {...getRootProps()} className={isDragActive ? "reading over" : "reading"}>
      <input {...getInputProps()} aria-label={words.readFile} />
      <div className="in-a-row">
        <Button variant="outlined" size="small" disabled={state.reading} onClick={open}>
          {words.readDocument}
        </Button>
        {stored && (
          <Button
            size="small"
            disabled={state.reading}
            onClick={() =>
              void read(() =>
                bodyOf(api.GET("/api/licenses/{id}/reading", { params: { path: { id: stored } } })),
              )
            }
          >
            {words.readStored}
          </Button>
        )}
        <span className="quiet">{state.reading ? words.reading : words.readHelp}</span>
      </div>
      {!state.read && (
        <TextField
          multiline
          fullWidth
          maxRows={4}
          placeholder={words.pasteHint}
          value={pasted}
          slotProps={{ htmlInput: { "aria-label": words.paste } }}
          onChange={(event) => setPasted(event.target.value)}
          onBlur={() => {
            if (pasted.trim()) {
              void read(() => bodyOf(api.POST("/api/licenses/reading/text", { body: { text: pasted } })));
            }
          }}
        />
      )}
      {state.error && (
        <p className="rubric" role="alert">
          {state.error.message}
        </p>
      )}
      {state.read && <Read reading={state.read} />}
    </div>
  );
}

function Read({ reading: { pages, proposals } }: { reading: AgreementReading }) {
  const { getValues, setValue, watch } = useFormContext<LicenseDraft>();
  watch();
  const terms = getValues();
  const take = (proposal: Proposal) => {
    for (const [field, value] of termsOf(proposal, getValues())) {
      setValue(field, value as never, { shouldDirty: true });
    }
  };
  const open = proposals.filter((proposal) => !taken(proposal, terms));
  return (
    <div className="read">
      <AgreementPages pages={pages} />
      <div>
        <p className="first">
          {found(proposals.length)}{" "}
          {open.length > 1 && (
            <Button size="small" onClick={() => open.forEach(take)}>
              {words.takeAll}
            </Button>
          )}
        </p>
        <ul className="bare-list proposals">
          {proposals.map((proposal) => (
            <li key={proposal.term}>
              <b>{words.terms[proposal.term]}</b>: {valueInWords(proposal)}{" "}
              {taken(proposal, terms) ? (
                <span className="allowed-word">{words.taken}</span>
              ) : (
                <Button
                  size="small"
                  aria-label={`${words.take}: ${words.terms[proposal.term]}`}
                  onClick={() => take(proposal)}
                >
                  {words.take}
                </Button>
              )}
              <div className="quiet small">
                <q>{proposal.quote.text}</q> {proposal.quote.place}
              </div>
            </li>
          ))}
        </ul>
      </div>
    </div>
  );
}

/* eslint-disable jsx-a11y/no-noninteractive-element-interactions, jsx-a11y/no-noninteractive-tabindex --
   marking is a selection of text, by pointer or by keyboard, and a text that scrolls is reached by Tab */
/** The text of the agreement; what is marked in it becomes the quoted clause of the term that is chosen then. */
function AgreementPages({ pages }: { pages: AgreementReading["pages"] }) {
  const { setValue } = useFormContext<LicenseDraft>();
  const [marked, setMarked] = useState<{ text: string; place: string } | null>(null);
  const mark = () => {
    const selection = window.getSelection();
    const text = selection?.toString().replace(/\s+/g, " ").trim() ?? "";
    const page = selection?.anchorNode?.parentElement?.closest<HTMLElement>("[data-page]")?.dataset.page;
    if (text) {
      setMarked({ text: text.slice(0, 2000), place: page && page !== "0" ? `page ${page}` : "" });
    }
  };
  let above: ReactNode = <p className="quiet small">{words.markHelp}</p>;
  if (marked) {
    above = (
      <div className="in-a-row">
        <Choice
          hideLabel
          label={words.markAs}
          value=""
          options={[["", words.markAs], ...quotable.map(({ point, said }) => [point, said] as const)]}
          onChange={(point) => {
            setValue(`quotes.${point}`, marked, { shouldDirty: true });
            setMarked(null);
          }}
        />
        <q className="quiet small">{marked.text.slice(0, 80)}</q>
      </div>
    );
  }
  return (
    <div>
      {above}
      <div
        className="agreement-text"
        tabIndex={0}
        role="region"
        aria-label={words.document}
        onMouseUp={mark}
        onKeyUp={mark}
      >
        {pages.map((page) => (
          <p key={page.number} data-page={page.number}>
            {page.text}
          </p>
        ))}
      </div>
    </div>
  );
}
