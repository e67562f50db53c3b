import Button from "@mui/material/Button";
import { useState } from "react";
import { Controller, useFormContext } from "react-hook-form";
import { useGet } from "../shared/api/queries";
import type { LicenseDraft, Slot } from "../shared/api/types";
import { SlotGrid } from "../shared/font/SlotGrid";
import { FamilyChoice, type NamedRecord } from "../shared/parts/RecordChoice";
import { toggled } from "./terms";
import { words } from "./words";

type Names = Record<string, string>;
type Covered = LicenseDraft["covers"][number];

const MOST_WITH_FACES = 12;

/** The families that a license covers, each as a whole or with the faces that were bought of it. */
export function CoveredFields({ names, onNamed }: { names: Names; onNamed: (names: Names) => void }) {
  const { control } = useFormContext<LicenseDraft>();
  const covering = (chosen: NamedRecord[], before: Covered[]) => {
    onNamed(Object.fromEntries(chosen.map((family) => [family.id, family.name])));
    return chosen.map(
      (family) =>
        before.find((covered) => covered.familyId === family.id) ?? { familyId: family.id, faces: [] },
    );
  };
  return (
    <Controller
      name="covers"
      control={control}
      render={({ field }) => (
        <div>
          <FamilyChoice
            label={words.covers}
            chosen={field.value.map(({ familyId }) => ({ id: familyId, name: names[familyId] ?? "…" }))}
            onChange={(chosen) => field.onChange(covering(chosen, field.value))}
          />
          {field.value.slice(0, MOST_WITH_FACES).map((covered) => (
            <FacesOf
              key={covered.familyId}
              name={names[covered.familyId] ?? "…"}
              covered={covered}
              onChange={(faces) =>
                field.onChange(
                  field.value.map((one) => (one.familyId === covered.familyId ? { ...one, faces } : one)),
                )
              }
            />
          ))}
        </div>
      )}
    />
  );
}

/** Which faces of a family are covered, picked on its slot grid; none picked stands for the whole family. */
function FacesOf(props: { name: string; covered: Covered; onChange: (faces: Slot[]) => void }) {
  const { name, covered, onChange } = props;
  const [open, setOpen] = useState(covered.faces.length > 0);
  const path = { id: covered.familyId };
  const family = useGet("/api/families/{id}", { path }, { enabled: open }).data;
  return (
    <section className="faces-of" aria-label={`${words.facesOf} ${name}`}>
      <span>{name}</span> <span className="quiet small">{facesInWords(covered.faces, open)}</span>{" "}
      <Button
        size="small"
        aria-label={`${open ? words.wholeAgain : words.someFaces}: ${name}`}
        onClick={() => {
          if (open) {
            onChange([]);
          }
          setOpen(!open);
        }}
      >
        {open ? words.wholeAgain : words.someFaces}
      </Button>
      {open && family && (
        <SlotGrid
          files={family.files}
          asks={[]}
          picked={(slot) => covered.faces.some((face) => face.key === slot.key)}
          onPick={({ slot }) => onChange(toggled(covered.faces, slot))}
        />
      )}
    </section>
  );
}

/** Which faces are covered, in words; when they are being picked and none is yet, what to do. */
function facesInWords(faces: Slot[], picking: boolean): string {
  if (faces.length > 0) {
    return faces.map((face) => face.label).join(", ");
  }
  return picking ? words.pickFaces : words.wholeFamily;
}
