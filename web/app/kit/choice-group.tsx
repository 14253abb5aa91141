import { ToggleGroup } from "radix-ui";
import type { ReactNode } from "react";

interface Props<Value extends string> {
  /** What is chosen; null where no one has chosen yet. */
  readonly value: Value | null;
  readonly options: readonly (readonly [value: Value, label: string])[];
  readonly choose: (value: Value) => void;
  /** Names the group where it is in no fieldset with a legend. */
  readonly label?: string;
  /** Said before each option where the options alone would be read out twice on a page. */
  readonly spoken?: string;
  readonly className?: string;
  readonly optionClassName: (chosen: boolean) => string;
  /** Drawn in place of the option's label. */
  readonly draw?: (label: string) => ReactNode;
}

/** One choice of several, each a button: arrow keys move between them, and a choice is changed but not taken back. */
export function ChoiceGroup<Value extends string>({
  value,
  options,
  choose,
  label,
  spoken,
  className,
  optionClassName,
  draw = (words) => words,
}: Props<Value>) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value ?? ""}
      aria-label={label}
      className={className}
      onValueChange={(next) => {
        const chosen = options.find(([name]) => name === next);
        if (chosen) choose(chosen[0]);
      }}
    >
      {options.map(([name, words]) => (
        <ToggleGroup.Item
          key={name}
          value={name}
          aria-label={spoken === undefined ? undefined : `${spoken} ${words}`}
          className={optionClassName(value === name)}
        >
          {draw(words)}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
