import type { CheckIn } from "@able-tide/core/caps/answers";
import { useState } from "react";
import { ClassButton } from "../kit/class-button.tsx";
import { Ask, Measure, type Unanswered } from "./ask.tsx";

type Pressure = Partial<CheckIn["pressures"][number]>;

/**
 * Blood pressure and pulse, and again after five minutes of sitting where the first was high.
 *
 * Long because it is one form: two readings, and the fall on standing that follows from them.
 */
export function AskPressure({
  pressures,
  set,
  unanswered,
}: {
  pressures: CheckIn["pressures"];
  set: (pressures: CheckIn["pressures"]) => void;
  unanswered: Unanswered;
}) {
  const [typed, setTyped] = useState<readonly Pressure[]>(pressures.length > 0 ? pressures : [{}]);
  const put = (i: number, change: { readonly [Field in keyof Pressure]: Pressure[Field] | undefined }) => {
    const next = typed.map((pressure, at) => (at === i ? ({ ...pressure, ...change } as Pressure) : pressure));
    setTyped(next);
    const half = next.some(
      ({ systolic, diastolic, heartRate }) =>
        (systolic === undefined) !== (diastolic === undefined) || (heartRate !== undefined && systolic === undefined),
    );
    unanswered("pressure", half ? "Blood pressure has two numbers. Enter both." : null);
    set(
      next.flatMap(({ systolic, diastolic, heartRate }) =>
        systolic === undefined || diastolic === undefined
          ? []
          : [{ systolic, diastolic, ...(heartRate === undefined ? {} : { heartRate }) }],
      ),
    );
  };
  return (
    <div className="flex flex-col gap-2">
      {typed.map((pressure, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the first and the second reading
        <div key={i} className="flex flex-wrap gap-3">
          <Measure
            label={i === 0 ? "Systolic, mmHg" : "Second reading: systolic, mmHg"}
            reading="systolic"
            name={`systolic ${i}`}
            value={pressure.systolic}
            set={(systolic) => put(i, { systolic })}
            unanswered={unanswered}
          />
          <Measure
            label="Diastolic, mmHg"
            reading="diastolic"
            name={`diastolic ${i}`}
            value={pressure.diastolic}
            set={(diastolic) => put(i, { diastolic })}
            unanswered={unanswered}
          />
          <Measure
            label="Pulse, beats per minute"
            reading="heartRate"
            name={`pulse ${i}`}
            value={pressure.heartRate}
            set={(heartRate) => put(i, { heartRate })}
            unanswered={unanswered}
          />
        </div>
      ))}
      {typed.length === 1 && (
        <ClassButton look="quiet" className="w-fit" onClick={() => setTyped([...typed, {}])}>
          Add a reading after 5 minutes of sitting
        </ClassButton>
      )}
    </div>
  );
}

/** How far the pressure falls within three minutes of standing, where it is taken. */
export function AskDrop({
  drop,
  set,
  unanswered,
}: {
  drop: CheckIn["drop"];
  set: (drop: CheckIn["drop"]) => void;
  unanswered: Unanswered;
}) {
  const put = (change: { readonly [Field in keyof NonNullable<CheckIn["drop"]>]?: number | boolean | undefined }) => {
    const { lying, ...next } = { systolic: 0, diastolic: 0, felt: false, ...drop, ...change } as NonNullable<CheckIn["drop"]>;
    set(lying === undefined ? next : { ...next, lying });
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Measure
        label="Lying down: systolic, mmHg"
        reading="systolic"
        name="lying"
        value={drop?.lying}
        set={(lying) => put({ lying })}
        unanswered={unanswered}
      />
      <Measure
        label="Systolic fall on standing, mmHg"
        reading="systolicDrop"
        value={drop?.systolic}
        set={(systolic = 0) => put({ systolic })}
        unanswered={unanswered}
      />
      <Measure
        label="Diastolic fall, mmHg"
        reading="diastolicDrop"
        value={drop?.diastolic}
        set={(diastolic = 0) => put({ diastolic })}
        unanswered={unanswered}
      />
      <Ask
        label="Did the participant feel the fall in pressure?"
        value={drop?.felt ? "yes" : "no"}
        options={[
          ["no", "no"],
          ["yes", "yes"],
        ]}
        choose={(felt) => put({ felt: felt === "yes" })}
      />
    </div>
  );
}
