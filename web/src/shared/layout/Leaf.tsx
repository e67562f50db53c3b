import { useEffect, useId, useRef, type CSSProperties, type ReactNode } from "react";
import { useLocation } from "react-router";
import { Told, useLine } from "../parts/Messages";
import { LineContext } from "./lines";

/** A page: its head, its lines, and beside them the margin in which flags and messages stand. */
export function Leaf(props: {
  title: string;
  above?: ReactNode;
  below?: ReactNode;
  actions?: ReactNode;
  notes?: ReactNode;
  /** The line of leaves that a record is divided into. */
  leaves?: ReactNode;
  /** The font of a title that is set in its own. */
  titleFont?: CSSProperties;
  margin?: boolean;
  children: ReactNode;
}) {
  const heading = useRef<HTMLHeadingElement>(null);
  const arrived = useLocation().key !== "default";
  useEffect(() => {
    document.title = `${props.title} · Unciala`;
  }, [props.title]);
  useEffect(() => {
    const typing = document.activeElement?.matches("input, textarea, [role=dialog] *");
    if (arrived && !typing) {
      heading.current?.focus({ preventScroll: true });
    }
  }, [arrived]);
  return (
    <main id="content" className={props.margin === false ? "leaf no-margin" : "leaf"}>
      <Line notes={props.notes}>
        <header className="leaf-head">
          {props.above && <div className="above">{props.above}</div>}
          <h1
            ref={heading}
            tabIndex={-1}
            className={props.titleFont ? "in-own-font" : undefined}
            style={props.titleFont}
          >
            {props.title}
          </h1>
          {props.below && <p className="below">{props.below}</p>}
          {props.actions && <div className="actions">{props.actions}</div>}
          {props.leaves}
        </header>
      </Line>
      {props.children}
    </main>
  );
}

/** A stretch of a page with the notes that speak of it at its height, and what is told of deeds done in it. */
export function Line(props: {
  notes?: ReactNode;
  children: ReactNode;
  id?: string;
  ruled?: boolean;
  className?: string;
}) {
  const line = useId();
  const element = useRef<HTMLDivElement>(null);
  useLine(line, element);
  return (
    <LineContext value={line}>
      <div
        ref={element}
        className={["line", props.ruled && "ruled", props.className].filter(Boolean).join(" ")}
        id={props.id}
      >
        <div className="line-text">{props.children}</div>
        <Told line={line} />
        <div className="line-margin">{props.notes}</div>
      </div>
    </LineContext>
  );
}
