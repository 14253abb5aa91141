import { USUAL_BODY } from "@able-tide/core/body/build";
import { formatHandSupport, HAND_SUPPORTS } from "@able-tide/core/body/supports";
import {
  DEPTHS,
  type Depth,
  FULL_STANDING_VARIANT,
  VARIANT_KINDS,
  type VariantKind,
  type VariantSpec,
} from "@able-tide/core/movement/variant";
import type { VariantBody } from "../kit/chosen-variant.ts";

/** Somebody to try a movement on. */
export interface StudioPerson extends VariantBody {
  readonly id: string;
  readonly name: string;
}

/** Bodies that nobody in particular has. */
const SOME_BODIES: readonly StudioPerson[] = [
  { id: "small", name: "short, 150 cm", stature: 1.5, mass: 52, measured: USUAL_BODY },
  { id: "average", name: "average height, 165 cm", stature: 1.65, mass: 70, measured: USUAL_BODY },
  { id: "tall", name: "a tall body, 180 cm", stature: 1.8, mass: 84, measured: USUAL_BODY },
];

/** Depths of water, shares of stature. */
const WATERLINES = [
  ["0.56", "to the hips"],
  ["0.62", "to the waist"],
  ["0.7", "to the breastbone"],
] as const;

/** What is looked at: whose body, which form, what is held, how deep. Held as the controls hold it. */
export interface Asked {
  readonly who: string;
  readonly kind: VariantKind;
  /** Number of the way to hold on, see HOLDS. */
  readonly hold: number;
  readonly waterline: string;
  readonly depth: Depth;
}

export const FIRST_ASKED: Asked = { who: "average", kind: "standing", hold: 1, waterline: "0.62", depth: "middle" };

/** The body, the form and the water that the controls mean. */
export function readAsked(
  asked: Asked,
  people: readonly StudioPerson[],
): { readonly body: VariantBody; readonly choice: VariantSpec; readonly waterline: number | undefined } {
  const body = [...SOME_BODIES, ...people].find(({ id }) => id === asked.who) ?? (SOME_BODIES[1] as StudioPerson);
  const hold = asked.kind === "supported" ? (HAND_SUPPORTS[asked.hold] ?? null) : null;
  return {
    body: { stature: body.stature, measured: body.measured, ...(body.mass !== undefined && { mass: body.mass }) },
    choice: { ...FULL_STANDING_VARIANT, kind: asked.kind, hold, depth: asked.depth },
    waterline: asked.kind === "water" ? Number(asked.waterline) : undefined,
  };
}

interface Props {
  readonly asked: Asked;
  readonly people: readonly StudioPerson[];
  readonly ask: (asked: Asked) => void;
  /** Whether the movement has stances of other depths. */
  readonly hasDepths: boolean;
}

function Choice(props: {
  readonly label: string;
  readonly value: string;
  readonly options: readonly (readonly [value: string, label: string])[];
  readonly choose: (value: string) => void;
}) {
  return (
    <label className="font-semibold">
      {props.label}
      <select
        value={props.value}
        onChange={({ currentTarget }) => props.choose(currentTarget.value)}
        className="field-box mt-1 font-normal"
      >
        {props.options.map(([value, label]) => (
          <option key={value} value={value}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Chooses whose body the numbers are for, and in which form. */
export function DemandPanel({ asked, people, ask, hasDepths }: Props) {
  return (
    <>
      <Choice
        label="For"
        value={asked.who}
        options={[...SOME_BODIES, ...people].map(({ id, name }) => [id, name])}
        choose={(who) => ask({ ...asked, who })}
      />
      <Choice
        label="Variant"
        value={asked.kind}
        options={VARIANT_KINDS.map((kind) => [kind, kind === "water" ? "aquatic" : kind])}
        choose={(kind) => ask({ ...asked, kind: kind as VariantKind })}
      />
      {asked.kind === "supported" && (
        <Choice
          label="Using support"
          value={String(asked.hold)}
          options={HAND_SUPPORTS.map((hold, i) => [String(i), formatHandSupport(hold)])}
          choose={(hold) => ask({ ...asked, hold: Number(hold) })}
        />
      )}
      {hasDepths && asked.kind !== "seated" && (
        <Choice
          label="Stance"
          value={asked.depth}
          options={DEPTHS.map((depth) => [depth, depth])}
          choose={(depth) => ask({ ...asked, depth: depth as Depth })}
        />
      )}
      {asked.kind === "water" && (
        <Choice label="Water" value={asked.waterline} options={WATERLINES} choose={(waterline) => ask({ ...asked, waterline })} />
      )}
    </>
  );
}
