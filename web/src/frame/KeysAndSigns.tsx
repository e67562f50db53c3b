import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { Sign } from "../shared/flag/Sign";
import { groupNames } from "../shared/flag/words";
import { glossary, type GlossaryTerm } from "../shared/glossary/glossary";
import { TermPicture } from "../shared/glossary/TermPicture";
import { legend, otherKeys, otherMarks, places, words } from "./words";

/** What the symbols and the terms mean, and what the keys do. */
export function KeysAndSigns({ keys, onClose }: { keys: boolean; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">{words.keysAndSigns}</DialogTitle>
      <DialogContent tabIndex={0}>
        <h2 className="section">{words.signs}</h2>
        <dl className="legend">
          {legend.map(({ group, says }) => (
            <div key={group}>
              <dt className="rubric">
                <Sign group={group} /> {groupNames[group]}
              </dt>
              <dd>{says}</dd>
            </div>
          ))}
          {otherMarks.map(([mark, says]) => (
            <div key={mark}>
              <dt>{mark}</dt>
              <dd>{says}</dd>
            </div>
          ))}
        </dl>
        <h2 className="section">{words.terms}</h2>
        <dl className="legend glossary">
          {(Object.keys(glossary) as GlossaryTerm[]).map((term) => (
            <div key={term}>
              <dt>
                <TermPicture of={term} /> {glossary[term].name}
              </dt>
              <dd>{glossary[term].says}</dd>
            </div>
          ))}
        </dl>
        <h2 className="section">{words.keys}</h2>
        {!keys && <p>{words.keysOff}</p>}
        <dl className="legend">
          {otherKeys.map(([key, does]) => (
            <div key={key}>
              <dt>
                <kbd>{key}</kbd>
              </dt>
              <dd>{does}</dd>
            </div>
          ))}
          {places.map(({ key, name }) => (
            <div key={key}>
              <dt>
                <kbd>g {key}</kbd>
              </dt>
              <dd>{name}</dd>
            </div>
          ))}
        </dl>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{words.close}</Button>
      </DialogActions>
    </Dialog>
  );
}
