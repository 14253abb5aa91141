import { sentenceCase } from "@able-tide/words/text";

export interface OptionsProps<Value extends string> {
  readonly options: readonly (readonly [value: Value, label: string])[];
  /** Whether the labels are names that people gave, which stay as they wrote them. */
  readonly asWritten?: boolean | undefined;
}

/** The options of a select box. */
export function Options<Value extends string>({ options, asWritten = false }: OptionsProps<Value>) {
  return options.map(([value, label]) => (
    <option key={value} value={value}>
      {asWritten ? label : sentenceCase(label)}
    </option>
  ));
}
