import { HAND_SUPPORTS } from "@able-tide/core/body/supports";
import { DEPTHS, type Depth, VARIANT_KINDS, type VariantKind } from "@able-tide/core/movement/variant";
import { formatHandSupport } from "@able-tide/words/body";
import { SOME_BODIES, type StudioPerson, type StudioPreview, WATERLINES } from "./studio-preview.ts";

interface Props {
  readonly asked: StudioPreview;
  readonly people: readonly StudioPerson[];
  readonly ask: (asked: StudioPreview) => void;
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

/** Chooses whose body the numbers are for, and in which variant. */
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
