import { ATTENTION, type Movement } from "@able-tide/core/movement/format";
import { attentionLabel } from "@able-tide/words/movement";
import { memo } from "react";
import { Select } from "../kit/select.tsx";
import type { EditMovement } from "./edit-movement.ts";

const CUES = [
  ["do", "What to do"],
  ["feel", "What to feel"],
  ["watch", "What to watch"],
  ["image", "Image"],
  ["mistake", "A common mistake"],
] as const;

const ATTENTION_OPTIONS = [
  ["", "not said"],
  ...ATTENTION.map((attention) => [attention, `on ${attentionLabel(attention)}`] as const),
] as const;

interface Props extends Pick<Movement, "name" | "cues"> {
  readonly edit: EditMovement;
}

/** Name and cues of a movement. They stay as they are while a pose is pulled. */
export const CueFields = memo(function CueFields({ name, cues, edit }: Props) {
  return (
    <>
      <label className="font-semibold">
        Name
        <input
          value={name.en}
          maxLength={60}
          onChange={({ currentTarget: { value } }) =>
            edit((movement) => ({ ...movement, name: { ...movement.name, en: value } }), "name")
          }
          className="field-box mt-1 block font-normal"
        />
      </label>
      <Select
        label="Attention"
        value={cues.attention ?? ""}
        options={ATTENTION_OPTIONS}
        choose={(attention) =>
          edit((movement) => ({ ...movement, cues: { ...movement.cues, attention: attention === "" ? undefined : attention } }))
        }
      />
      {CUES.map(([cue, label]) => (
        <label key={cue} className="font-semibold">
          {label}
          <input
            value={cues[cue] ?? ""}
            maxLength={200}
            onChange={({ currentTarget: { value } }) =>
              edit((movement) => ({ ...movement, cues: { ...movement.cues, [cue]: value } }), cue)
            }
            className="field-box mt-1 block font-normal"
          />
        </label>
      ))}
    </>
  );
});
