import { HAND_SUPPORTS } from "@able-tide/core/body/supports";
import { DEPTHS, VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { formatHandSupport } from "@able-tide/words/body";
import { Select } from "../kit/select.tsx";
import { SOME_BODIES, type StudioPerson, type StudioPreview, WATERLINES } from "./studio-preview.ts";

interface Props {
  readonly preview: StudioPreview;
  readonly people: readonly StudioPerson[];
  readonly ask: (preview: StudioPreview) => void;
  /** Whether the movement has stances of other depths. */
  readonly hasDepths: boolean;
}

/** Chooses whose body the numbers are for, and in which variant. */
export function DemandPanel({ preview, people, ask, hasDepths }: Props) {
  return (
    <>
      <Select
        label="For"
        value={preview.who}
        options={[...SOME_BODIES, ...people].map(({ id, name }) => [id, name])}
        choose={(who) => ask({ ...preview, who })}
      />
      <Select
        label="Variant"
        value={preview.kind}
        options={VARIANT_KINDS.map((kind) => [kind, kind === "water" ? "aquatic" : kind] as const)}
        choose={(kind) => ask({ ...preview, kind })}
      />
      {preview.kind === "supported" && (
        <Select
          label="Using support"
          value={String(preview.hold)}
          options={HAND_SUPPORTS.map((hold, i) => [String(i), formatHandSupport(hold)])}
          choose={(hold) => ask({ ...preview, hold: Number(hold) })}
        />
      )}
      {hasDepths && preview.kind !== "seated" && (
        <Select
          label="Stance"
          value={preview.depth}
          options={DEPTHS.map((depth) => [depth, depth])}
          choose={(depth) => ask({ ...preview, depth })}
        />
      )}
      {preview.kind === "water" && (
        <Select
          label="Water"
          value={preview.waterline}
          options={WATERLINES}
          choose={(waterline) => ask({ ...preview, waterline })}
        />
      )}
    </>
  );
}
