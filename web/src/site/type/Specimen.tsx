import {
  memo,
  useEffect,
  useLayoutEffect,
  useRef,
  useState,
  type CSSProperties,
  type ReactNode,
} from "react";
import type { Role, SiteWeight } from "../../shared/api/types";
import { roleName } from "../words";
import { movedInWords, styleOf, type Block, type Live, type Mode } from "./specimen";
import { words } from "./words";

type Props = {
  blocks: Block[];
  roles: Role[];
  mode: Mode;
  weight: SiteWeight | undefined;
  live: Live;
  open: string | null;
  onOpen: (role: string | null) => void;
  /** What a role is set in, in words. */
  faceOf: (role: Role) => string;
  /** The editor of a role, shown below its text while it is open. */
  editor: (role: Role) => ReactNode;
  /** What the arrival of the fonts does to the page, in words. */
  onMoved: (sentence: string) => void;
};

/** The text roles of a site together, as on a page: each text can be typed over, and opens its role. */
export function Specimen(props: Props) {
  const { blocks, roles, mode, weight, live, open, onOpen } = props;
  const [typed, setTyped] = useState<Record<string, string>>({});
  const page = useRef<HTMLDivElement>(null);
  useEffect(() => {
    page.current?.querySelector(".open")?.scrollIntoView({ block: "nearest" });
  }, [open]);
  const roleOf = (block: Block) => roles.find((role) => role.role === block.role)!;
  const text = (block: Block) => typed[block.role] ?? block.text;
  const style = (block: Block, as: Mode) => styleOf(roleOf(block), as, weight?.stacks, live);
  return (
    <div className="site-specimen" ref={page}>
      {blocks.map((block) => {
        const role = roleOf(block);
        const isOpen = open === block.role;
        return (
          <section key={block.role} className={isOpen ? "specimen-role open" : "specimen-role"}>
            <div className="specimen-of">
              <span>
                {roleName(block.role)} <span className="quiet">{props.faceOf(role)}</span>
              </span>
              <button
                type="button"
                className="act"
                aria-expanded={isOpen}
                aria-label={`${isOpen ? words.closeRole : words.editRole} ${roleName(block.role)}`}
                onClick={() => onOpen(isOpen ? null : block.role)}
              >
                {isOpen ? words.closeRole : words.editRole}
              </button>
            </div>
            <Words
              label={`${roleName(block.role)}: words`}
              text={block.text}
              style={style(block, mode)}
              onFocus={() => onOpen(block.role)}
              onType={(said) => setTyped((before) => ({ ...before, [block.role]: said }))}
            />
            {block.role === "RUNNING_TEXT" && mode !== "live" && <Emphasis style={style(block, mode)} />}
            {isOpen && props.editor(role)}
          </section>
        );
      })}
      <Heights
        texts={blocks.map((block) => ({
          key: block.role,
          text: text(block),
          own: style(block, "own"),
          fallback: style(block, "fallback"),
        }))}
        onMoved={props.onMoved}
      />
    </div>
  );
}

type WordsProps = {
  label: string;
  text: string;
  style: CSSProperties;
  onFocus: () => void;
  onType: (text: string) => void;
};

/** Words that can be typed over. What is typed stays in the page: React sets the words once only. */
function Words({ label, text, style, onFocus, onType }: WordsProps) {
  return (
    <div
      className="specimen-words"
      contentEditable="plaintext-only"
      suppressContentEditableWarning
      role="textbox"
      aria-multiline
      aria-label={label}
      tabIndex={0}
      spellCheck={false}
      style={style}
      onFocus={onFocus}
      onInput={(event) => onType(event.currentTarget.textContent ?? "")}
    >
      <Once text={text} />
    </div>
  );
}

const Once = memo(
  function Once({ text }: { text: string }) {
    return text;
  },
  () => true,
);

/** Bold and italic in running text: where no face is chosen for them, browsers fake them here as they do on the site. */
function Emphasis({ style }: { style: CSSProperties }) {
  return (
    <p className="specimen-emphasis" style={style}>
      {words.emphasis} <i>{words.italic}</i>, <b>{words.bold}</b>,{" "}
      <b>
        <i>{words.both}</i>
      </b>
      .
    </p>
  );
}

type Measured = { key: string; text: string; own: CSSProperties; fallback: CSSProperties };

/** Sets the page twice where nobody sees it, with the fonts and without, and tells how its height differs. */
function Heights({ texts, onMoved }: { texts: Measured[]; onMoved: (sentence: string) => void }) {
  const own = useRef<HTMLDivElement>(null);
  const fallback = useRef<HTMLDivElement>(null);
  useLayoutEffect(() => {
    const tell = () => {
      if (own.current && fallback.current && document.fonts?.status === "loaded") {
        onMoved(movedInWords(fallback.current.offsetHeight, own.current.offsetHeight));
      }
    };
    const watch = new ResizeObserver(tell);
    watch.observe(own.current!);
    watch.observe(fallback.current!);
    document.fonts?.addEventListener("loadingdone", tell);
    return () => {
      watch.disconnect();
      document.fonts?.removeEventListener("loadingdone", tell);
    };
  }, [onMoved]);
  const set = (as: "own" | "fallback") =>
    texts.map((text) => (
      <div key={text.key} className="specimen-words" style={text[as]}>
        {text.text}
      </div>
    ));
  return (
    <>
      <div ref={own} className="specimen-measured" aria-hidden>
        {set("own")}
      </div>
      <div ref={fallback} className="specimen-measured" aria-hidden>
        {set("fallback")}
      </div>
    </>
  );
}
