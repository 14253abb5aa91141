import {
  HOLD_SECONDS,
  HOLD_SHARES,
  type HoldLevel,
  holdSeconds,
  MOST_HOLD_LEVELS,
  type TimedHold,
} from "@able-tide/core/movement/timed-hold";
import type { HoldChange } from "@able-tide/core/plan/edit-plan";
import { shareLabel } from "@able-tide/words/repetitions";
import { Minus, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { Select } from "../kit/select.tsx";

/** What a hold begins with: what a newcomer may do. */
const FIRST: TimedHold = [{ seconds: 10, share: 1 }];

const REPEAT_OR_HOLD = [
  ["repeat", "Repeat"],
  ["hold", "Hold for some seconds"],
] as const;

const SHARES = HOLD_SHARES.map((share) => [String(share), shareLabel(share)] as const);

/** Seconds that a level may have, where the others leave so many of the minute. */
const secondsUpTo = (most: number): (readonly [string, string])[] =>
  Array.from({ length: Math.floor(most / HOLD_SECONDS.step) }, (_, i) => HOLD_SECONDS.step * (i + 1)).map((seconds) => [
    String(seconds),
    `${seconds} s`,
  ]);

/** One more level, short, and the other way from the last. */
const oneMore: HoldChange = (hold) =>
  hold && [...hold, { seconds: HOLD_SECONDS.least, share: hold.at(-1)?.share === 1 ? 0.5 : 1 }];

interface LevelProps {
  readonly level: HoldLevel;
  readonly number: number;
  /** Seconds that it may have. */
  readonly most: number;
  readonly set: (differs: Partial<HoldLevel>) => void;
}

function Level({ level, number, most, set }: LevelProps) {
  return (
    <li className="flex items-end gap-2">
      <Select
        label={`${number}.`}
        name={`Seconds of level ${number}`}
        look="line"
        value={String(level.seconds)}
        options={secondsUpTo(most)}
        choose={(seconds) => set({ seconds: Number(seconds) })}
      />
      <Select
        label=""
        name={`How far in level ${number}`}
        look="line"
        value={String(level.share)}
        options={SHARES}
        choose={(share) => set({ share: Number(share) })}
      />
    </li>
  );
}

function LevelButton({ label, press, children }: { label: string; press: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={press}
      className="flex min-h-11 items-center gap-1 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100"
    >
      {children} {label}
    </button>
  );
}

interface Props {
  /** Null where the movement is repeated. */
  readonly hold: TimedHold | null;
  readonly change: (change: HoldChange) => void;
}

/** Whether a movement is repeated or held, and the levels of its hold: how long and how far. */
export function HoldSettings({ hold, change }: Props) {
  const left = hold === null ? 0 : HOLD_SECONDS.most - holdSeconds(hold);
  return (
    <fieldset className="min-w-0 rounded-[10px] border border-sand-300 p-3">
      <legend className="px-1 font-semibold">Repeat or hold</legend>
      <Select
        label=""
        name="Repeat or hold"
        value={hold === null ? "repeat" : "hold"}
        options={REPEAT_OR_HOLD}
        choose={(value) => change((now) => (value === "hold" ? (now ?? FIRST) : null))}
      />
      {hold !== null && (
        <>
          <ol className="mt-2 flex flex-col gap-2">
            {hold.map((level, i) => (
              <Level
                // biome-ignore lint/suspicious/noArrayIndexKey: levels have no other name than their place
                key={i}
                level={level}
                number={i + 1}
                most={level.seconds + left}
                set={(differs) => change((now) => now?.map((each, at) => (at === i ? { ...each, ...differs } : each)) ?? null)}
              />
            ))}
          </ol>
          <div className="mt-2 flex flex-wrap gap-2">
            {hold.length < MOST_HOLD_LEVELS && left >= HOLD_SECONDS.least && (
              <LevelButton label="Add a level" press={() => change(oneMore)}>
                <Plus size={18} aria-hidden="true" />
              </LevelButton>
            )}
            {hold.length > 1 && (
              <LevelButton label="Remove the last" press={() => change((now) => now?.slice(0, -1) ?? null)}>
                <Minus size={18} aria-hidden="true" />
              </LevelButton>
            )}
          </div>
          <p className="mt-2 text-sand-600">
            Up to 60 s at a time, then everyone stands tall. A participant with a shorter limit comes up sooner.
          </p>
        </>
      )}
    </fieldset>
  );
}
