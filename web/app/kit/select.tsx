import { Options, type OptionsProps } from "./options.tsx";

const LOOKS = {
  /** The label above, as in a form. */
  above: { label: "block", words: "mb-1 block font-semibold", box: "field-box" },
  /** The label and a small box in one line. */
  line: {
    label: "flex items-center gap-2",
    words: "",
    box: "min-h-11 max-w-44 rounded-[10px] border border-sand-300 bg-white px-2 font-semibold",
  },
  /** The label at the left and a box at the right edge, one of several lines. */
  row: { label: "mb-1 flex items-center justify-between gap-2", words: "", box: "field-box w-36!" },
} as const;

interface Props<Value extends string> extends OptionsProps<Value> {
  readonly label: string;
  /** A longer name for a label that is short where it is seen; or the only name of a box without words. */
  readonly name?: string;
  readonly look?: keyof typeof LOOKS;
  readonly value: Value;
  readonly choose: (value: Value) => void;
}

/**
 * Chooses one of several. The browser's own element: on a tablet it opens the system's picker, which wet hands can use, and
 * works in a form without scripts.
 */
export function Select<Value extends string>({ label, name, look = "above", value, options, asWritten, choose }: Props<Value>) {
  const { label: labelLook, words, box } = LOOKS[look];
  return (
    <label className={labelLook}>
      {label && <span className={words}>{label}</span>}
      <select
        aria-label={name}
        className={box}
        value={value}
        onChange={({ currentTarget }) => {
          const chosen = options.find(([option]) => option === currentTarget.value);
          if (chosen) choose(chosen[0]);
        }}
      >
        <Options options={options} asWritten={asWritten} />
      </select>
    </label>
  );
}
