import { HAND_SUPPORTS } from "@able-tide/core/body/supports";
import { DEPTHS, type Depth, VARIANT_KINDS, type VariantKind } from "@able-tide/core/movement/variant";
import { formatHandSupport } from "@able-tide/words/body";
import { sentenceCase } from "@able-tide/words/text";
import { SOME_BODIES, type StudioPerson, type StudioPreview, WATERLINES } from "./studio-preview.ts";

interface Props {
  readonly preview: StudioPreview;
  readonly people: readonly StudioPerson[];
  readonly ask: (preview: StudioPreview) => void;
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
            {sentenceCase(label)}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Chooses whose body the numbers are for, and in which variant. */
export function DemandPanel({ preview, people, ask, hasDepths }: Props) {
  return (
    <>
      <Choice
        label="For"
        value={preview.who}
        options={[...SOME_BODIES, ...people].map(({ id, name }) => [id, name])}
        choose={(who) => ask({ ...preview, who })}
      />
      <Choice
        label="Variant"
        value={preview.kind}
        options={VARIANT_KINDS.map((kind) => [kind, kind === "water" ? "aquatic" : kind])}
        choose={(kind) => ask({ ...preview, kind: kind as VariantKind })}
      />
      {preview.kind === "supported" && (
        <Choice
          label="Using support"
          value={String(preview.hold)}
          options={HAND_SUPPORTS.map((hold, i) => [String(i), formatHandSupport(hold)])}
          choose={(hold) => ask({ ...preview, hold: Number(hold) })}
        />
      )}
      {hasDepths && preview.kind !== "seated" && (
        <Choice
          label="Stance"
          value={preview.depth}
          options={DEPTHS.map((depth) => [depth, depth])}
          choose={(depth) => ask({ ...preview, depth: depth as Depth })}
        />
      )}
      {preview.kind === "water" && (
        <Choice
          label="Water"
          value={preview.waterline}
          options={WATERLINES}
          choose={(waterline) => ask({ ...preview, waterline })}
        />
      )}
    </>
  );
}
