import Button from "@mui/material/Button";
import { useEffect, useState, type ReactNode } from "react";
import { FormProvider, useForm } from "react-hook-form";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import type { LicenseDraft } from "../shared/api/types";
import { fieldWords } from "../shared/history/words";
import { Preview } from "../shared/flag/Preview";
import { Line } from "../shared/layout/Leaf";
import { Conflict } from "../shared/parts/Conflict";
import { useUnsaved } from "../shared/parts/unsaved";
import { useMergedForm } from "../shared/parts/useMergedForm";
import { DateFields } from "./DateFields";
import { DomainFields } from "./DomainFields";
import { Reading } from "./Reading";
import { RightFields } from "./RightFields";
import { SubjectFields } from "./SubjectFields";
import { sent } from "./terms";
import { termInWords, words } from "./words";

type Notes = { covers?: ReactNode; rights?: ReactNode; domains?: ReactNode; dates?: ReactNode };

type Props = {
  terms: LicenseDraft;
  /** The version that is edited, or undefined for a license that is not recorded yet. */
  version?: number;
  /** The license, or the set of terms, that is edited. */
  recordId?: string;
  recordType?: "license" | "terms";
  /** Whether these are terms to start from: without what belongs to one purchase. */
  ofSet?: boolean;
  /** A domain that a flag asks to add; it stands in the form, to be saved. */
  domain?: string | null;
  familyNames: Record<string, string>;
  saveLabel: string;
  onSave: (draft: LicenseDraft) => Promise<boolean>;
  notes: Notes;
  /** Whether a document is attached that can be read. */
  hasDocument?: boolean;
  /** Given the agreement that was read, to be attached when a new license is recorded. */
  onFile?: (file: File) => void;
};

function preview(id: string, body: LicenseDraft) {
  return bodyOf(api.POST("/api/licenses/{id}/preview", { params: { path: { id } }, body }));
}

/** What a license covers and says. Every clause is granted, refused or not stated. */
export function LicenseForm(props: Props) {
  const { terms, saveLabel, notes, domain, ofSet, recordId = "", recordType = "license" } = props;
  const form = useForm<LicenseDraft>({ defaultValues: terms });
  const { handleSubmit, formState, getValues, setValue, watch } = form;
  const { conflict, resolve, saved } = useMergedForm(form, terms, props.version ?? 0);
  const mayEdit = useMayEdit();
  const [beside, setBeside] = useState(false);
  const [familyNames, setFamilyNames] = useState(props.familyNames);
  useEffect(() => {
    if (domain && !getValues("domains").includes(domain)) {
      setValue("domains", [...getValues("domains"), domain], { shouldDirty: true });
    }
  }, [domain, getValues, setValue]);
  const save = handleSubmit(async (draft) => {
    if (await props.onSave(sent(draft))) {
      saved();
    }
  });
  const dirty = formState.isDirty;
  const recorded = props.version !== undefined;
  useUnsaved(dirty && !formState.isSubmitting);
  return (
    <FormProvider {...form}>
      <form
        className={beside ? "with-document" : undefined}
        onSubmit={(event) => void save(event)}
        noValidate
      >
        {conflict && (
          <Line>
            <Conflict
              conflict={conflict}
              subjectType={recordType}
              subjectId={recordId}
              names={fieldWords}
              words={(field, value) =>
                field === "covers"
                  ? (value as LicenseDraft["covers"])
                      .map((covered) => familyNames[covered.familyId] ?? covered.familyId)
                      .join(", ")
                  : termInWords(field, value, terms.currency)
              }
              onMerge={resolve}
            />
          </Line>
        )}
        {mayEdit && (
          <Line className="read-line">
            <h2 className="section">{words.readTitle}</h2>
            <Reading
              onRead={setBeside}
              stored={props.hasDocument ? recordId : undefined}
              onFile={props.onFile}
            />
          </Line>
        )}
        <Line notes={notes.covers}>
          <h2 className="section">{words.whatItIs}</h2>
          <SubjectFields
            ofSet={ofSet}
            familyNames={familyNames}
            onNamed={(named) => setFamilyNames((known) => ({ ...known, ...named }))}
          />
        </Line>
        <Line notes={notes.rights}>
          <h2 className="section">{words.allows}</h2>
          <RightFields />
        </Line>
        <Line id="domains" notes={notes.domains}>
          <h2 className="section">{words.where}</h2>
          <DomainFields added={dirty ? domain : null} ofSet={ofSet} />
        </Line>
        <Line id="dates" notes={notes.dates}>
          <h2 className="section">{words.when}</h2>
          <DateFields ofSet={ofSet} />
          <div className="savebar">
            <Button
              type="submit"
              variant="contained"
              disabled={!mayEdit || !!conflict || formState.isSubmitting || (recorded && !dirty)}
            >
              {saveLabel}
            </Button>
            {dirty && <span className="quiet">{words.notSaved}</span>}
          </div>
          {dirty && recorded && !ofSet && (
            <Preview key={JSON.stringify(watch())} ask={() => preview(recordId, sent(getValues()))} />
          )}
        </Line>
      </form>
    </FormProvider>
  );
}
