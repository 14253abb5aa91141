import { withKey } from "@able-tide/core/movement/edit";
import type { KeyBreath, Movement, MovementKey } from "@able-tide/core/movement/format";
import { HOLD_SHARES } from "@able-tide/core/movement/timed-hold";
import { breathLabel } from "@able-tide/words/movement";
import { shareLabel } from "@able-tide/words/repetitions";
import { Select } from "../kit/select.tsx";
import type { EditMovement } from "./edit-movement.ts";

const BREATH_OPTIONS = (["in", "out", "both", "pause"] as const).map((breath) => [breath, breathLabel(breath)] as const);
const SHARE_OPTIONS = HOLD_SHARES.map((share) => [String(share), shareLabel(share)] as const);

interface Props {
  readonly movement: Movement;
  readonly index: number;
  readonly edit: EditMovement;
}

const without = <Field extends keyof MovementKey>(key: MovementKey, field: Field): Omit<MovementKey, Field> => {
  const { [field]: _, ...rest } = key;
  return rest;
};

/** What belongs to the way to a key pose: the breath, how far the body goes, and what is said. */
export function KeyWords({ movement, index, edit }: Props) {
  const key = movement.keys[index];
  if (!key || index === 0) return null;
  const share = String(key.share ?? 1);
  const shares = SHARE_OPTIONS.some(([option]) => option === share)
    ? SHARE_OPTIONS
    : [...SHARE_OPTIONS, [share, shareLabel(Number(share))] as const];
  const setBreath = (breath: KeyBreath) => edit((now) => withKey(now, index, (each) => ({ ...each, breath })));
  const setShare = (value: string) =>
    edit((now) =>
      withKey(now, index, (each) => (Number(value) === 1 ? without(each, "share") : { ...each, share: Number(value) })),
    );
  return (
    <div className="grid gap-4 rounded-soft border border-sand-300 bg-white p-4 sm:grid-cols-[8rem_10rem_1fr]">
      <Select label="Breath" value={key.breath ?? "in"} options={BREATH_OPTIONS} choose={setBreath} />
      <Select label="How far" value={share} options={shares} choose={setShare} />
      <label className="font-semibold">
        Said on the way here
        <input
          value={key.say ?? ""}
          maxLength={80}
          onChange={({ currentTarget: { value } }) =>
            edit((now) => withKey(now, index, (each) => (value === "" ? without(each, "say") : { ...each, say: value })), "say")
          }
          className="field-box mt-1 block font-normal"
        />
      </label>
    </div>
  );
}
