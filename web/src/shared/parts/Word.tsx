import { Choice, type Option } from "./Choice";

/** A sentence that narrows a list: what its words may be, what they are, and what happens when one is changed. */
export type Narrowing<N extends string> = {
  choices: Record<N, readonly Option[]>;
  filter: Record<N, string>;
  onChange: (name: N, value: string) => void;
};

/** One word of a sentence that narrows a list; `label` says what it is for. */
export function Word<N extends string>(props: { name: N; label: string; of: Narrowing<N> }) {
  const { name, label, of } = props;
  return (
    <Choice
      hideLabel
      label={label}
      value={of.filter[name]}
      options={of.choices[name]}
      onChange={(value) => of.onChange(name, value)}
    />
  );
}
