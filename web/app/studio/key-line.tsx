import type { MovementKey } from "@able-tide/core/movement/format";
import { breathLabel } from "@able-tide/words/movement";

interface Props {
  readonly keys: readonly MovementKey[];
  readonly chosen: number;
  readonly choose: (index: number) => void;
}

/** The key poses along one repetition, on the breath that leads to each. */
export function KeyLine({ keys, chosen, choose }: Props) {
  return (
    <ol className="relative mx-6 h-24" aria-label="Key poses along the repetition">
      <li aria-hidden="true" className="absolute inset-x-0 top-7 h-1 rounded-full bg-tide-300" />
      {keys.map((key, index) => (
        <li key={key.at} className="absolute top-1 -translate-x-1/2" style={{ left: `${100 * key.at}%` }}>
          <button
            type="button"
            aria-pressed={index === chosen}
            onClick={() => choose(index)}
            className="flex w-16 flex-col items-center"
          >
            <span
              className={`flex size-12 items-center justify-center rounded-full border-2 font-bold ${index === chosen ? "border-tide-800 bg-tide-800 text-sand-50" : "border-tide-800 bg-white"}`}
            >
              {index + 1}
            </span>
            <span className="leading-tight">{index === 0 ? "start" : breathLabel(key.breath ?? "in")}</span>
            <span className="sr-only">
              key pose at {Math.round(100 * key.at)}% {key.say}
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}
