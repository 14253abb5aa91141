import { memo } from "react";

interface Props {
  readonly id: string;
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  /** Told which box it was, so that one function can serve them all. */
  readonly set: (value: number, id: string) => void;
}

/** A number that can be typed; what lies out of bounds changes nothing. */
export const NumberBox = memo(function NumberBox({ id, label, value, least, most, step, set }: Props) {
  return (
    <label htmlFor={id} className="flex items-center justify-between gap-2">
      <span>{label}</span>
      <input
        id={id}
        type="number"
        inputMode="decimal"
        min={least}
        max={most}
        step={step}
        value={Math.round(100 * value) / 100}
        onChange={({ currentTarget }) => {
          const typed = currentTarget.valueAsNumber;
          if (typed >= least && typed <= most) set(typed, id);
        }}
        className="field-box w-24! text-right"
      />
    </label>
  );
});
