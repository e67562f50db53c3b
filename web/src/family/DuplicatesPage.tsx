import Button from "@mui/material/Button";
import Radio from "@mui/material/Radio";
import { useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import type { DuplicateGroup } from "../shared/api/types";
import { lettersOf } from "../shared/font/sample";
import { inFont, useLetters } from "../shared/font/storedFont";
import { Leaf, Line } from "../shared/layout/Leaf";
import { baseName, day, formatName, kB, number } from "../shared/parts/format";
import { Shown } from "../shared/states/States";
import { groupInWords, heldTwice, retired, words } from "./words";

type Member = DuplicateGroup["members"][number];

/** What is held more than once, group by group, each with what to keep and one action that retires the rest. */
export function DuplicatesPage() {
  const groups = useGet("/api/duplicates");
  return (
    <Leaf
      title={words.duplicates}
      above={<Link to="/families">{words.title}</Link>}
      below={groups.data && heldTwice(groups.data)}
    >
      <Shown of={groups} lines={6}>
        {(found) => found.map((group) => <Group key={group.keep + group.kind} group={group} />)}
      </Shown>
    </Leaf>
  );
}

function Group({ group }: { group: DuplicateGroup }) {
  const mayEdit = useMayEdit();
  const [keep, setKeep] = useState(group.keep);
  const { heading, why } = groupInWords(group);
  const settle = useChange({
    of: "family",
    change: () =>
      bodyOf(
        api.POST("/api/duplicates/settle", {
          body: { kind: group.kind, keep, members: group.members.map(({ file }) => file.id) },
        }),
      ),
    said: (settled) => ({ text: retired(settled.files), undo: settled.historyId }),
  });
  return (
    <Line ruled>
      <h2 className="section">
        {heading} <small>{why}</small>
      </h2>
      <div role="radiogroup" aria-label={`${words.keep}: ${heading}`}>
        {group.members.map((member) => (
          <Choice
            key={member.file.id}
            member={member}
            proposed={member.file.id === group.keep}
            chosen={member.file.id === keep}
            onChoose={mayEdit ? () => setKeep(member.file.id) : undefined}
          />
        ))}
      </div>
      {mayEdit && (
        <div className="duplicate-acts">
          <Button
            size="small"
            variant="contained"
            disabled={settle.isPending}
            onClick={() => settle.mutate()}
          >
            {words.keepThis}
          </Button>
        </div>
      )}
    </Line>
  );
}

function Choice(props: { member: Member; proposed: boolean; chosen: boolean; onChoose?: () => void }) {
  const { file, family, familyId } = props.member;
  const letters = lettersOf(file.sample);
  const font = useLetters(file.sha256, letters);
  const name = baseName(file.fileName);
  return (
    <div className="duplicate-row">
      <Radio
        size="small"
        sx={{ p: 0 }}
        checked={props.chosen}
        disabled={!props.onChoose}
        slotProps={{ input: { "aria-label": `${words.keep} ${name} of ${family}` } }}
        onChange={props.onChoose}
      />
      <span aria-hidden="true" className="font-letters" style={inFont(font)}>
        {letters}
      </span>
      <div className="breaks">
        {name}
        <div className="quiet small">
          <Link to={`/families/${familyId}`}>{family}</Link> {file.slot.label}
        </div>
      </div>
      <div>
        {formatName(file.format)}, {kB(file.bytes)}, {number(file.codePoints)} characters
        <div className="quiet small">
          {file.fontVersion.slice(0, 24)} · {day(file.addedAt)}
        </div>
      </div>
      <b className="green">{props.proposed && words.proposed}</b>
    </div>
  );
}
