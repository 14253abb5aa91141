import {
  DECLARED_FEATURES,
  MOST_BREATHS,
  type Movement,
  type MovementStance,
  PHASES,
  PURPOSES,
  rises,
  STANCES,
} from "@able-tide/core/movement/format";
import { VARIANT_KINDS, type VariantKind } from "@able-tide/core/movement/variant";
import { featureLabel, purposeLabel } from "@able-tide/words/movement";
import { phaseLabel } from "@able-tide/words/phase";
import { memo, type ReactNode } from "react";
import { Select } from "../kit/select.tsx";
import type { EditMovement } from "./edit-movement.ts";

interface Props {
  readonly movement: Movement;
  readonly edit: EditMovement;
}

const PHASE_OPTIONS = PHASES.map((phase) => [phase, phaseLabel(phase)] as const);
const FRONT_OPTIONS = [
  ["lead", "Leading side"],
  ["trail", "Other side"],
] as const;

const STANCE_NAMES: Record<MovementStance["kind"], string> = {
  together: "Feet together",
  hip: "Hip-width apart",
  shoulder: "Shoulder-width apart",
  wide: "wide",
  bow: "One foot forward",
  semiTandem: "Semi-tandem (instep to toe)",
  tandem: "Tandem (heel to toe)",
};
const STANCE_OPTIONS = STANCES.map((kind) => [kind, STANCE_NAMES[kind]] as const);
const VARIANTS = [
  ["oneArm", "One arm alone"],
  ["toeDown", "Toes of the lifted foot down"],
  ["depth", "Higher stance"],
] as const;
const hasFront = (kind: MovementStance["kind"]): boolean => ["bow", "semiTandem", "tandem"].includes(kind);

function Tick({ label, on, set }: { readonly label: string; readonly on: boolean; readonly set: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        checked={on}
        onChange={({ currentTarget }) => set(currentTarget.checked)}
        className="size-5 accent-tide-700"
      />
      {label}
    </label>
  );
}

function Group({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <fieldset>
      <legend className="font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-x-6">{children}</div>
    </fieldset>
  );
}

/** A list with a word put in or taken out, in the order of all words. */
const toggled = <Word extends string>(all: readonly Word[], chosen: readonly Word[], word: Word, on: boolean): Word[] =>
  all.filter((each) => (each === word ? on : chosen.includes(each)));

/** Whether nothing but key poses and cues differs. */
const sameFacts = (a: Props, b: Props): boolean =>
  a.edit === b.edit &&
  a.movement.keys.length === b.movement.keys.length &&
  (["purpose", "forms", "vary", "features", "phase", "breaths", "stance", "sided", "reversal", "holdAt", "pivot"] as const).every(
    (fact) => a.movement[fact] === b.movement[fact],
  );

const REVERSAL_OPTIONS = [
  ["", "one way only"],
  ["halves", "half the repetitions the other way"],
  ["sides", "the second side the other way"],
] as const;

/** Key poses that can be held: those between the first and the last. */
const holdOptions = ({ keys }: Movement): (readonly [string, string])[] => [
  ["", "cannot be held"],
  ...keys.slice(1, -1).map((_, i) => [String(i + 1), `key pose ${i + 2}`] as const),
];

interface ChangeProps {
  readonly movement: Movement;
  readonly change: (facts: Partial<Movement>) => void;
}

/**
 * Phase, breaths and stance: the facts that are chosen from a list or counted.
 *
 * Long because it is one form.
 */
function PhaseAndStance({ movement, change }: ChangeProps) {
  const { stance } = movement;
  const setStance = (kind: MovementStance["kind"]) =>
    change({ stance: { kind, ...(hasFront(kind) && { front: stance.front ?? "lead" }) } });
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Select label="Phase of a session" value={movement.phase} options={PHASE_OPTIONS} choose={(phase) => change({ phase })} />
      <label className="font-semibold">
        Breaths per repetition
        <input
          type="number"
          min={1}
          max={MOST_BREATHS}
          value={movement.breaths}
          onChange={({ currentTarget: { valueAsNumber } }) => {
            if (Number.isInteger(valueAsNumber) && valueAsNumber >= 1 && valueAsNumber <= MOST_BREATHS)
              change({ breaths: valueAsNumber });
          }}
          className="field-box mt-1 block font-normal"
        />
      </label>
      <Select label="Stance" value={stance.kind} options={STANCE_OPTIONS} choose={setStance} />
      {hasFront(stance.kind) && (
        <Select
          label="Foot in front"
          value={stance.front ?? "lead"}
          options={FRONT_OPTIONS}
          choose={(front) => change({ stance: { ...stance, front } })}
        />
      )}
    </div>
  );
}

const PIVOT_OPTIONS = [
  ["heel", "On the heel"],
  ["ball", "On the ball of the foot"],
] as const;

/** Whether a foot turns in some key pose. */
const turnsAFoot = ({ keys }: Movement): boolean =>
  keys.some(({ feet, leadFoot, trailFoot }) => [feet, leadFoot, trailFoot].some((foot) => foot?.turn !== undefined));

/** Whether it turns round, and the key pose that can be held. */
function DirectionAndHold({ movement, change }: ChangeProps) {
  return (
    <>
      <Select
        label="Direction"
        value={movement.reversal ?? ""}
        options={REVERSAL_OPTIONS.filter(([reversal]) => reversal !== "sides" || movement.sided)}
        choose={(reversal) => change({ reversal: reversal === "" ? undefined : reversal })}
      />
      {turnsAFoot(movement) && (
        <Select
          label="Feet turn"
          value={movement.pivot ?? "heel"}
          options={PIVOT_OPTIONS}
          choose={(pivot) => change({ pivot: pivot === "heel" ? undefined : pivot })}
        />
      )}
      {!rises(movement) && movement.keys.length > 2 && (
        <Select
          label="Timed hold"
          value={movement.holdAt === undefined ? "" : String(movement.holdAt)}
          options={holdOptions(movement)}
          choose={(key) => change({ holdAt: key === "" ? undefined : Number(key) })}
        />
      )}
    </>
  );
}

function Facts({ movement, edit }: Props) {
  const { forms, vary } = movement;
  const change = (facts: Partial<Movement>) => edit((now) => ({ ...now, ...facts }));
  const setForm = (kind: VariantKind, on: boolean) => change({ forms: { ...forms, [kind]: on ? {} : false } });
  const setPurpose = (word: (typeof PURPOSES)[number], on: boolean) => {
    const purpose = toggled(PURPOSES, movement.purpose, word, on);
    if (purpose.length > 0) change({ purpose });
  };
  return (
    <details className="rounded-soft border border-sand-300 bg-white p-5">
      <summary className="min-h-11 font-display text-lg font-bold">Purpose, stance and variants</summary>
      <div className="mt-2 flex flex-col gap-4">
        <Group label="Purpose">
          {PURPOSES.map((word) => (
            <Tick key={word} label={purposeLabel(word)} on={movement.purpose.includes(word)} set={(on) => setPurpose(word, on)} />
          ))}
        </Group>
        <Group label="Variants">
          {VARIANT_KINDS.map((kind) => (
            <Tick
              key={kind}
              label={kind === "water" ? "In water" : kind}
              on={(forms[kind] ?? false) !== false}
              set={(on) => setForm(kind, on)}
            />
          ))}
        </Group>
        <Group label="Easier options">
          {VARIANTS.map(([name, label]) => (
            <Tick key={name} label={label} on={vary[name] === true} set={(on) => change({ vary: { ...vary, [name]: on } })} />
          ))}
        </Group>
        <Group label="Precautions">
          {DECLARED_FEATURES.map((feature) => (
            <Tick
              key={feature}
              label={featureLabel(feature)}
              on={movement.features?.includes(feature) ?? false}
              set={(on) => change({ features: toggled(DECLARED_FEATURES, movement.features ?? [], feature, on) })}
            />
          ))}
        </Group>
        <PhaseAndStance movement={movement} change={change} />
        <Tick label="Repeat on each side" on={movement.sided} set={(sided) => change({ sided })} />
        <DirectionAndHold movement={movement} change={change} />
      </div>
    </details>
  );
}

/** Purpose, stance and variants of a movement: everything that is not a key pose or a cue. */
export const MovementFacts = memo(Facts, sameFacts);
