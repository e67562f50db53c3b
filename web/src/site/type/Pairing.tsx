import Button from "@mui/material/Button";
import { useState } from "react";
import type { Family, Role } from "../../shared/api/types";
import { useGet } from "../../shared/api/queries";
import { shownFile } from "../../shared/font/slots";
import { inFont, useLetters } from "../../shared/font/storedFont";
import { OneFamilyChoice } from "../../shared/parts/RecordChoice";
import { emptyRole, genericOf } from "./roles";
import { pairingOf, type Block } from "./specimen";
import { words } from "./words";

type Props = { blocks: Block[]; onTake: (roles: Role[]) => void };

/** Begins a site's type with a family for headings and one for running text, seen together before they are taken. */
export function Pairing({ blocks: [title, text], onTake }: Props) {
  const [headingId, setHeading] = useState("");
  const [textId, setText] = useState("");
  const headings = useFamily(headingId);
  const running = useFamily(textId);
  const slots = (family: Family | undefined) => family?.files.map((file) => file.slot) ?? [];
  const faces = pairingOf(slots(headings), slots(running));
  const take = (role: string, family: Family, chosen: Role["faces"]) => {
    const empty = emptyRole(role, undefined);
    return {
      ...empty,
      familyId: family.id,
      faces: chosen,
      generic: genericOf(family.classification) ?? empty.generic,
    };
  };
  return (
    <section aria-label={words.begin}>
      <p className="answer">{words.begin}</p>
      <div className="in-a-row pairing">
        <span className="quiet">{words.headings}</span>
        <OneFamilyChoice
          label={words.headings}
          placeholder={words.choose}
          chosen={headings ? { id: headings.id, name: headings.name } : null}
          onChange={(family) => setHeading(family.id)}
        />
        <span className="quiet">{words.text}</span>
        <OneFamilyChoice
          label={words.text}
          placeholder={words.choose}
          chosen={running ? { id: running.id, name: running.name } : null}
          onChange={(family) => setText(family.id)}
        />
        <Button
          variant="contained"
          disabled={faces.heading.length === 0 || faces.text.length === 0}
          onClick={() =>
            headings &&
            running &&
            onTake([take("HEADINGS", headings, faces.heading), take("RUNNING_TEXT", running, faces.text)])
          }
        >
          {words.take}
        </Button>
      </div>
      <Shown family={headings} slot={faces.heading[0]} text={title!.text} className="pairing-heading" />
      <Shown family={running} slot={faces.text[0]} text={text!.text} className="pairing-text" />
    </section>
  );
}

function useFamily(id: string): Family | undefined {
  return useGet("/api/families/{id}", { path: { id } }, { enabled: id !== "" }).data;
}

type ShownProps = {
  family: Family | undefined;
  slot: Role["faces"][number] | undefined;
  text: string;
  className: string;
};

function Shown({ family, slot, text, className }: ShownProps) {
  const file = shownFile(family?.files.filter((one) => one.slot.key === slot?.key) ?? []);
  const font = useLetters(file?.sha256, text);
  return (
    <p className={file ? className : `${className} quiet`} style={file && inFont(font)}>
      {family && !file ? words.notHeld : text}
    </p>
  );
}
