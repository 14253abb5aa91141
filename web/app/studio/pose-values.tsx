import { sidedSlot, slot } from "@able-tide/core/body/pose";
import { numberAt } from "@able-tide/core/checked-access";
import { keyPoses } from "@able-tide/core/movement/authored-keys";
import {
  anchorAt,
  EDITABLE_ANGLES,
  type EditableAngle,
  KEY_NUMBERS,
  type KeyGroup,
  type KeyNumber,
  palmAt,
  setAnchor,
  setAngles,
  setFist,
  setNumber,
  setPalm,
  sideOfArm,
} from "@able-tide/core/movement/edit";
import { ANCHORS, type Anchor, type Movement, PALMS, type RestingPalm } from "@able-tide/core/movement/format";
import { rangeLabel } from "@able-tide/words/body";
import { useCallback } from "react";
import { Select } from "../kit/select.tsx";
import type { EditMovement } from "./edit-movement.ts";
import { NumberBox } from "./number-box.tsx";

interface Props {
  readonly movement: Movement;
  readonly index: number;
  readonly edit: EditMovement;
}

const GROUPS: readonly (readonly [group: KeyGroup, label: string])[] = [
  ["leadArm", "Leading arm"],
  ["trailArm", "Other arm"],
  ["head", "Head"],
  ["spine", "Spine"],
  ["pelvis", "Pelvis"],
];
const NUMBERS: Record<
  KeyNumber,
  { readonly label: string; readonly least: number; readonly most: number; readonly step: number }
> = {
  weight: { label: "weight on the leading foot, 0 to 1", least: 0, most: 1, step: 0.05 },
  sink: { label: "knee bend of the stance, °", least: 0, most: 90, step: 1 },
  press: { label: "weight from heel (-1) to toes (1)", least: -1, most: 1, step: 0.1 },
};

const angleId = ({ group, name }: EditableAngle): string => `value-${group}-${name}`;
const numberId = (name: KeyNumber): string => `value-${name}`;

/** What typing into each box does, by its id. */
const SETTERS = new Map<string, (movement: Movement, index: number, value: number) => Movement>([
  ...KEY_NUMBERS.map(
    (name) =>
      [numberId(name), (movement: Movement, index: number, value: number) => setNumber(movement, index, name, value)] as const,
  ),
  ...EDITABLE_ANGLES.map(
    (angle) =>
      [
        angleId(angle),
        (movement: Movement, index: number, value: number) => setAngles(movement, index, angle.group, { [angle.name]: value }),
      ] as const,
  ),
]);

const ANCHOR_NAMES: Record<Anchor, string> = {
  belly: "Belly",
  hip: "Hip",
  upperThigh: "Top of the thigh",
  thigh: "Thigh",
  knee: "Knee",
  otherKnee: "Other knee",
  otherWrist: "Other wrist",
  chest: "Chest",
  lowBack: "Low back",
  head: "Side of the head",
  otherHand: "Other hand",
};

const REST_OPTIONS = [["", "Nothing"], ...ANCHORS.map((anchor) => [anchor, ANCHOR_NAMES[anchor]] as const)] as const;

function RestsOn({ anchor, rest }: { readonly anchor: Anchor | null; readonly rest: (anchor: Anchor | null) => void }) {
  return (
    <Select
      label="Hand rests on"
      look="row"
      value={anchor ?? ""}
      options={REST_OPTIONS}
      choose={(on) => rest(on === "" ? null : on)}
    />
  );
}

const PALM_NAMES: Readonly<Record<RestingPalm, string>> = { on: "On it", away: "Turned up, away from it" };
const PALM_OPTIONS = PALMS.map((palm) => [palm, PALM_NAMES[palm]] as const);

interface HandProps extends Props {
  readonly arm: "leadArm" | "trailArm";
  readonly fist: number;
}

/** What a hand rests on, how its palm lies there, and how far it is closed. */
function Hand({ movement, index, edit, arm, fist }: HandProps) {
  const anchor = anchorAt(movement, index, arm);
  const palm = palmAt(movement, index, arm);
  return (
    <>
      <RestsOn anchor={anchor} rest={(on) => edit((now) => setAnchor(now, index, arm, on))} />
      {anchor !== null && (
        <Select
          label="Palm"
          look="row"
          value={palm ?? ""}
          options={[["", "As the forearm turns"], ...PALM_OPTIONS]}
          choose={(lies) => edit((now) => setPalm(now, index, arm, lies === "" ? null : lies))}
        />
      )}
      <NumberBox
        id={`value-${arm}-fist`}
        label="hand closed, 0 open to 1 fist"
        value={fist}
        least={0}
        most={1}
        step={0.1}
        set={(value) => edit((now) => setFist(now, index, arm, value))}
      />
    </>
  );
}

/** The chosen key pose in numbers: what a pointer pulls, typed. */
export function PoseValues({ movement, index, edit }: Props) {
  const set = useCallback(
    (value: number, id: string) => edit((now) => SETTERS.get(id)?.(now, index, value) ?? now),
    [edit, index],
  );
  const values = keyPoses(movement)[index];
  if (!values) return null;
  const numberOf: Record<KeyNumber, number> = {
    weight: 1 - numberAt(values, slot("weightLeft")),
    sink: numberAt(values, slot("sink")),
    press: numberAt(values, slot("press")),
  };
  return (
    <div className="flex flex-col gap-2">
      <fieldset className="flex flex-col gap-1">
        <legend className="font-display text-lg font-bold">Standing</legend>
        {KEY_NUMBERS.map((name) => (
          <NumberBox key={name} id={numberId(name)} {...NUMBERS[name]} value={numberOf[name]} set={set} />
        ))}
      </fieldset>
      {GROUPS.map(([group, label]) => (
        <details key={group} open={group === "leadArm"}>
          <summary className="py-2 font-display text-lg font-bold">{label}</summary>
          {(group === "leadArm" || group === "trailArm") && (
            <Hand
              movement={movement}
              index={index}
              edit={edit}
              arm={group}
              fist={numberAt(values, sidedSlot("fist", sideOfArm(group)))}
            />
          )}
          <div className="flex flex-col gap-1">
            {EDITABLE_ANGLES.filter((angle) => angle.group === group).map((angle) => (
              <NumberBox
                key={angle.name}
                id={angleId(angle)}
                label={`${rangeLabel(angle.range)}, °`}
                value={numberAt(values, angle.slot)}
                least={angle.lowest}
                most={angle.highest}
                step={1}
                set={set}
              />
            ))}
          </div>
        </details>
      ))}
    </div>
  );
}
