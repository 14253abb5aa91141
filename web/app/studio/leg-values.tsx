import { SIDED_RANGES } from "@able-tide/core/body/channels";
import { sidedSlot } from "@able-tide/core/body/pose";
import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import { numberAt } from "@able-tide/core/checked-access";
import { keyPoses } from "@able-tide/core/movement/authored-keys";
import {
  LIFT_ANGLES,
  type Lift,
  liftFoot,
  liftsOf,
  pitchFoot,
  placeFoot,
  setFeetDown,
  turnFoot,
} from "@able-tide/core/movement/edit-legs";
import type { Movement } from "@able-tide/core/movement/format";
import { sideSign } from "@able-tide/core/side";
import { rangeLabel } from "@able-tide/words/body";
import { Select } from "../kit/select.tsx";
import { NumberBox } from "./number-box.tsx";
import type { PulledKey } from "./pull.ts";

const FEET = [
  ["leadFoot", "leading heel up (negative: toes up), °", "right"],
  ["trailFoot", "other heel up (negative: toes up), °", "left"],
] as const;
const TURNS = [
  ["leadFoot", "leading foot turned out, °", "right"],
  ["trailFoot", "other foot turned out, °", "left"],
] as const;
const PLACES = [
  ["leadFoot", "ahead", "leading foot ahead of its start, cm", "footX", "right"],
  ["leadFoot", "outward", "leading foot to its side, cm", "footZ", "right"],
  ["trailFoot", "ahead", "other foot ahead of its start, cm", "footX", "left"],
  ["trailFoot", "outward", "other foot to its side, cm", "footZ", "left"],
] as const;
const PLACE = { least: -150, most: 150 } as const;
/** Centimetres of a share of stature, for someone of middling height. */
const CENTIMETRES = 100 * REFERENCE_STATURE;
const TURN = { least: -45, most: 45 } as const;
const PITCH = { least: -30, most: 50 } as const;

const rangeOf = (name: string) => SIDED_RANGES.find((range) => range.name === name) ?? { label: name, lowest: 0, highest: 0 };

interface Props {
  readonly movement: Movement;
  readonly index: number;
  readonly change: (to: PulledKey) => void;
}

const FOOT_OPTIONS = [
  ["", "None"],
  ["lead", "Leading side"],
  ["trail", "Other side"],
] as const;

/** Where the feet of a key pose stand, from their place in the stance. */
function FootPlaces({ movement, index, change, values }: Props & { readonly values: Float64Array }) {
  return (
    <>
      <p className="text-sand-600">
        Feet, for someone {Math.round(CENTIMETRES)} cm tall. Moving a foot is a step: the other one takes the weight. Where both
        end further on alike, each repetition walks on.
      </p>
      {PLACES.map(([foot, way, label, slotName, side]) => (
        <NumberBox
          key={`${foot} ${way}`}
          id={`value-${way}-${foot}`}
          label={label}
          value={Math.round(CENTIMETRES * (way === "outward" ? sideSign(side) : 1) * numberAt(values, sidedSlot(slotName, side)))}
          {...PLACE}
          step={1}
          set={(value) => change(placeFoot(movement, index, foot, { [way]: value / CENTIMETRES }))}
        />
      ))}
    </>
  );
}

/** Legs and feet of a key pose in numbers: a foot off the floor and how its leg is held, heels and toes. */
export function LegValues({ movement, index, change }: Props) {
  const lift = liftsOf(movement)[index] ?? null;
  const values = keyPoses(movement)[index];
  const end = index === 0 || index === movement.keys.length - 1;
  const setFoot = (foot: "" | Lift["foot"]) =>
    change(foot === "" ? { movement: setFeetDown(movement, index), index } : liftFoot(movement, index, { foot }));
  return (
    <details>
      <summary className="py-2 font-display text-lg font-bold">Legs and feet</summary>
      <div className="flex flex-col gap-1">
        {end ? (
          <p className="text-sand-600">Every repetition starts and ends with both feet on the floor.</p>
        ) : (
          <Select label="Foot off the floor" look="row" value={lift?.foot ?? ""} options={FOOT_OPTIONS} choose={setFoot} />
        )}
        {lift &&
          LIFT_ANGLES.map(({ name, range }) => {
            const { lowest, highest } = rangeOf(range);
            return (
              <NumberBox
                key={name}
                id={`value-lift-${name}`}
                label={`${rangeLabel(range)}, °`}
                value={lift[name] ?? 0}
                least={lowest}
                most={highest}
                step={1}
                set={(value) => change(liftFoot(movement, index, { foot: lift.foot, [name]: value }))}
              />
            );
          })}
        {index > 0 && values && <FootPlaces movement={movement} index={index} change={change} values={values} />}
        {TURNS.map(([foot, label, side]) => (
          <NumberBox
            key={`turn ${foot}`}
            id={`value-turn-${foot}`}
            label={label}
            value={values?.[sidedSlot("toeOut", side)] ?? 0}
            {...TURN}
            step={1}
            set={(value) => change({ movement: turnFoot(movement, index, foot, value), index })}
          />
        ))}
        {FEET.map(([foot, label, side]) => (
          <NumberBox
            key={foot}
            id={`value-${foot}`}
            label={label}
            value={values?.[sidedSlot("heelLift", side)] ?? 0}
            {...PITCH}
            step={1}
            set={(value) => change({ movement: pitchFoot(movement, index, foot, value), index })}
          />
        ))}
      </div>
    </details>
  );
}
