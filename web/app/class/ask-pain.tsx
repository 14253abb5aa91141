import type { CheckIn } from "@able-tide/core/caps/answers";
import { PAIN_PLACES, type PainPlace, painPlace } from "@able-tide/core/caps/pain-map";
import { ALARM_QUESTIONS, painPlaceLabel } from "@able-tide/words/check-in";
import { EMERGENCY_STEPS } from "@able-tide/words/emergency-signs";
import { sentenceCase } from "@able-tide/words/text";
import { useEffect, useState } from "react";
import { Ask, type Unanswered } from "./ask.tsx";

type Pain = CheckIn["pains"][number];
type Pains = CheckIn["pains"];
/** A pain whose numbers are not complete. */
type Told = Partial<Omit<Pain, "part">> & { readonly part: Pain["part"] };

interface Props {
  readonly name: string;
  readonly pains: Pains;
  /** The participant's usual pain as recorded before, by place. */
  readonly usual: Readonly<Record<string, number>>;
  readonly set: (pains: Pains) => void;
  readonly unanswered: Unanswered;
}

const SCALE = ["0", "1", "2", "3", "4", "5", "6", "7", "8", "9", "10"].map((value) => [value, value] as const);

/** Rows of the map from the head down: the person's right, the middle, their left, as they face the person who asks. */
const ROWS: readonly (readonly [right: PainPlace | null, middle: PainPlace | null, left: PainPlace | null])[] = [
  [null, "head", null],
  [null, "jaw", null],
  ["rightShoulder", "neck", "leftShoulder"],
  [null, "upperBack", null],
  ["rightElbow", "chest", "leftElbow"],
  [null, "belly", null],
  ["rightHand", "lowBack", "leftHand"],
  ["rightHip", null, "leftHip"],
  ["rightKnee", null, "leftKnee"],
  ["rightCalf", null, "leftCalf"],
  ["rightFoot", null, "leftFoot"],
];

const placeNames = new Set<string>(PAIN_PLACES.map(({ name }) => name));
const labelOf = (part: Pain["part"]): string => (placeNames.has(part) ? painPlaceLabel(part as PainPlace) : part);
const asksFirst = (part: Pain["part"]): part is keyof typeof ALARM_QUESTIONS => part in ALARM_QUESTIONS;

const isWhole = (told: Told): told is Pain =>
  asksFirst(told.part) ? told.alarm !== undefined : told.now !== undefined && told.usual !== undefined;

function Place({ place, chosen, choose }: { place: PainPlace; chosen: boolean; choose: () => void }) {
  const { alarm } = painPlace(place);
  const label = painPlaceLabel(place);
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={`Pain: ${label}`}
      onClick={choose}
      className={`min-h-12 rounded-full border-2 px-3 leading-tight font-semibold ${chosen ? "border-sand-50 bg-sand-50 text-tide-950" : `bg-tide-900/90 hover:bg-tide-800 ${alarm ? "border-signal-300" : "border-tide-300"}`}`}
    >
      {sentenceCase(label.replace(/^(left|right) /, ""))}
    </button>
  );
}

/** A plain outline of a body behind the places. */
function Outline() {
  return (
    <svg viewBox="0 0 200 400" className="absolute inset-0 m-auto h-full" aria-hidden="true">
      <g fill="var(--color-tide-800)">
        <ellipse cx="100" cy="32" rx="24" ry="30" />
        <rect x="88" y="55" width="24" height="26" />
        <path d="M52 78 Q100 66 148 78 L142 214 Q100 226 58 214 Z" />
        <path d="M54 80 L28 168 L20 236 L36 238 L48 172 L68 100 Z" />
        <path d="M146 80 L172 168 L180 236 L164 238 L152 172 L132 100 Z" />
        <path d="M60 208 L66 300 L62 388 L86 388 L92 300 L98 214 Z" />
        <path d="M140 208 L134 300 L138 388 L114 388 L108 300 L102 214 Z" />
      </g>
    </svg>
  );
}

/**
 * One pain's numbers; in a place where pain may be a sign to stop, its questions come first and no number is asked.
 *
 * Long because each answer opens the next question of the same pain.
 */
function OnePain({ told, put, remove }: { told: Told; put: (change: Partial<Told>) => void; remove: () => void }) {
  const label = labelOf(told.part);
  return (
    <div className="flex flex-col gap-3 rounded-[12px] border-2 border-tide-600 p-3">
      <div className="flex items-center justify-between">
        <strong>{sentenceCase(label)}</strong>
        <button type="button" onClick={remove} className="min-h-11 px-2 underline underline-offset-4">
          No pain there
        </button>
      </div>
      {asksFirst(told.part) ? (
        <>
          <ul className="list-disc pl-6">
            {ALARM_QUESTIONS[told.part].map((question) => (
              <li key={question}>{question}</li>
            ))}
          </ul>
          <Ask
            label="Any of these, or an emergency sign?"
            value={told.alarm ?? null}
            options={[
              ["yes", "Yes: stop"],
              ["no", "None of these"],
            ]}
            choose={(alarm) => put({ alarm, now: told.now ?? 0, usual: told.usual ?? 0, fresh: told.fresh ?? "no" })}
          />
          {told.alarm === "yes" && (
            <div role="alert" className="rounded-[12px] border-[3px] border-signal-300 p-3">
              <p className="text-xl font-bold text-signal-300">Stop. First:</p>
              <ol className="list-decimal pl-6 font-semibold">
                {EMERGENCY_STEPS.map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ol>
            </div>
          )}
        </>
      ) : (
        <>
          <Ask
            label="Pain now, 0 to 10"
            value={told.now === undefined ? null : String(told.now)}
            options={SCALE}
            spoken={`${label}, now`}
            choose={(now) => put({ now: Number(now) })}
          />
          <Ask
            label="Usual pain there, 0 to 10"
            value={told.usual === undefined ? null : String(told.usual)}
            options={SCALE}
            spoken={`${label}, usual`}
            choose={(usual) => put({ usual: Number(usual) })}
          />
          <Ask
            label="Is this pain new?"
            value={told.fresh ?? "no"}
            options={[
              ["no", "no"],
              ["new", "new"],
              ["night", "new, at night"],
            ]}
            choose={(fresh) => put({ fresh })}
          />
        </>
      )}
    </div>
  );
}

/** Where it hurts, on a map of the body, and how much: now, and as usual there. Several places may hurt. */
export function AskPain({ name, pains, usual, set, unanswered }: Props) {
  const [told, setTold] = useState<readonly Told[]>(pains);
  const tell = (next: readonly Told[]) => {
    setTold(next);
    set(next.filter(isWhole).map((pain) => ({ ...pain, fresh: pain.fresh ?? "no" })));
    const open = next.find((each) => !isWhole(each));
    unanswered(
      "pain",
      open === undefined
        ? null
        : asksFirst(open.part)
          ? `Pain, ${labelOf(open.part)}: answer its questions first.`
          : `Pain, ${labelOf(open.part)}: enter the pain now and the usual pain.`,
    );
  };
  useEffect(() => () => unanswered("pain", null), [unanswered]);
  const choose = (place: PainPlace) => {
    const known = usual[place];
    if (told.some(({ part }) => part === place)) tell(told.filter(({ part }) => part !== place));
    else tell([...told, { part: place, fresh: "no", ...(known === undefined ? {} : { usual: known }) }]);
  };
  const cell = (place: PainPlace | null) =>
    place && <Place place={place} chosen={told.some(({ part }) => part === place)} choose={() => choose(place)} />;
  return (
    <fieldset>
      <legend className="mb-1 text-tide-200">Pain: touch the place</legend>
      <div className="grid gap-4 md:grid-cols-[20rem_1fr]">
        <div className="relative h-fit">
          <Outline />
          <div className="relative flex justify-between text-base text-tide-200" aria-hidden="true">
            <span>{name}'s right</span>
            <span>{name}'s left</span>
          </div>
          <div className="relative grid grid-cols-3 items-center gap-x-1 gap-y-1">
            {ROWS.map(([right, middle, left]) => (
              <div key={`${right} ${middle} ${left}`} className="contents">
                <span className="flex justify-start">{cell(right)}</span>
                <span className="flex justify-center">{cell(middle)}</span>
                <span className="flex justify-end">{cell(left)}</span>
              </div>
            ))}
          </div>
        </div>
        <div className="flex flex-col gap-3">
          {told.length === 0 && <p className="text-tide-200">No pain reported. Orange places ask about emergency signs.</p>}
          {told.map((each) => (
            <OnePain
              key={each.part}
              told={each}
              put={(change) => tell(told.map((other) => (other.part === each.part ? { ...other, ...change } : other)))}
              remove={() => tell(told.filter(({ part }) => part !== each.part))}
            />
          ))}
        </div>
      </div>
    </fieldset>
  );
}
