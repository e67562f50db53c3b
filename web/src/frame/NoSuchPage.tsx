import { Link } from "react-router";
import { Leaf, Line } from "../shared/layout/Leaf";
import { words } from "./words";

export function NoSuchPage() {
  return (
    <Leaf title={words.nowhere} margin={false}>
      <Line>
        <Link to="/">{words.toToday}</Link>
      </Line>
    </Leaf>
  );
}
