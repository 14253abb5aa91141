import { slot } from "@able-tide/core/body/pose";
import { EDITABLE_ANGLES, KEY_NUMBERS, type KeyGroup, type KeyNumber } from "@able-tide/core/movement/edit";
import { NumberBox } from "./number-box.tsx";

interface Props {
  /** The flat key pose, right side leading. */
  readonly values: Float64Array;
  readonly setAngle: (group: KeyGroup, name: string, value: number) => void;
  readonly setNumber: (name: KeyNumber, value: number) => void;
}

const GROUPS: readonly (readonly [group: KeyGroup, label: string])[] = [
  ["leadArm", "Lead arm"],
  ["trailArm", "Trail arm"],
  ["head", "Head"],
  ["spine", "Spine"],
  ["pelvis", "Pelvis"],
];
const NUMBERS: Record<
  KeyNumber,
  { readonly label: string; readonly least: number; readonly most: number; readonly step: number }
> = {
  weight: { label: "weight on the lead foot, 0 to 1", least: 0, most: 1, step: 0.05 },
  sink: { label: "sink, °", least: 0, most: 90, step: 1 },
  press: { label: "pressure back to front, -1 to 1", least: -1, most: 1, step: 0.1 },
};

/** The chosen key pose in numbers: what a pointer pulls, typed. */
export function PoseValues({ values, setAngle, setNumber }: Props) {
  const numberOf: Record<KeyNumber, number> = {
    weight: 1 - (values[slot("weightLeft")] as number),
    sink: values[slot("sink")] as number,
    press: values[slot("press")] as number,
  };
  return (
    <div className="flex flex-col gap-2">
      <fieldset className="flex flex-col gap-1">
        <legend className="font-display text-lg font-bold">Standing</legend>
        {KEY_NUMBERS.map((name) => (
          <NumberBox
            key={name}
            id={`value-${name}`}
            {...NUMBERS[name]}
            value={numberOf[name]}
            set={(value) => setNumber(name, value)}
          />
        ))}
      </fieldset>
      {GROUPS.map(([group, label]) => (
        <details key={group} open={group === "leadArm"}>
          <summary className="py-2 font-display text-lg font-bold">{label}</summary>
          <div className="flex flex-col gap-1">
            {EDITABLE_ANGLES.filter((angle) => angle.group === group).map((angle) => (
              <NumberBox
                key={angle.name}
                id={`value-${group}-${angle.name}`}
                label={`${angle.label}, °`}
                value={values[angle.slot] as number}
                least={angle.lowest}
                most={angle.highest}
                step={1}
                set={(value) => setAngle(group, angle.name, value)}
              />
            ))}
          </div>
        </details>
      ))}
    </div>
  );
}
