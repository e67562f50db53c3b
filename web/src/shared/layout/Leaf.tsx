import { useEffect, type ReactNode } from "react";

/** A page: its head, its lines, and beside them the margin in which flags stand. */
export function Leaf(props: {
  title: string;
  above?: ReactNode;
  below?: ReactNode;
  actions?: ReactNode;
  notes?: ReactNode;
  titleStyle?: React.CSSProperties;
  margin?: boolean;
  children: ReactNode;
}) {
  useEffect(() => {
    document.title = `${props.title} · Unciala`;
  }, [props.title]);
  return (
    <main className={props.margin === false ? "leaf no-margin" : "leaf"}>
      <Line notes={props.notes}>
        <header className="leaf-head">
          {props.above && <div className="above">{props.above}</div>}
          <h1 style={props.titleStyle}>{props.title}</h1>
          {props.below && <p className="below">{props.below}</p>}
          {props.actions && <div className="actions">{props.actions}</div>}
        </header>
      </Line>
      {props.children}
    </main>
  );
}

/** A stretch of a page with the notes that speak of it at its height. */
export function Line(props: { notes?: ReactNode; children: ReactNode; id?: string; ruled?: boolean }) {
  return (
    <div className={props.ruled ? "line ruled" : "line"} id={props.id}>
      <div className="line-text">{props.children}</div>
      <div className="line-margin">{props.notes}</div>
    </div>
  );
}
