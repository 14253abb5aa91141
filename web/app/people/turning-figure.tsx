import type { Cap } from "@able-tide/core/caps/cap";
import { useState } from "react";
import { Button } from "../kit/button.tsx";
import { handLines } from "../kit/hand-lines.ts";
import { cappedAngles } from "../kit/limit-arcs.tsx";
import { LiveFigure } from "../kit/live-figure.tsx";
import { type LimitedPerson, postureOf, stepShare } from "./limits-figure.tsx";

interface Props {
  readonly caps: readonly Cap[];
  readonly person: LimitedPerson;
  /** Between the ankles, centimetres. */
  readonly longestStep: number | undefined;
}

const FROM = ["oblique"] as const;

/** The same person and caps to turn round, on demand. */
export function TurningFigure({ caps, person, longestStep }: Props) {
  const [shown, setShown] = useState(false);
  const share = stepShare(person, longestStep);
  return (
    <div className="mt-2">
      <Button type="button" look="quiet" aria-expanded={shown} onClick={() => setShown(!shown)}>
        {shown ? "Close the turning figure" : "Turn the figure"}
      </Button>
      {shown && <Turning caps={caps} person={person} share={share} />}
    </div>
  );
}

function Turning({ caps, person, share }: Pick<Props, "caps" | "person"> & { readonly share: number | null }) {
  const [{ samples, row }] = useState(() => postureOf(person, caps));
  return (
    <LiveFigure
      samples={samples}
      phase={0}
      views={FROM}
      lines={handLines(caps, row)}
      angles={cappedAngles(caps)}
      step={share === null ? null : { side: "right", share }}
      label={`${person.name}, to turn`}
      className="h-80 rounded-soft bg-sand-100"
    />
  );
}
