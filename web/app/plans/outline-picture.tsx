import { count, formatMinutes } from "@able-tide/words/text";
import { Link } from "react-router";
import type { PlanOutline } from "../../server/plans/outline.ts";
import { formatDay, shortDay } from "../days.ts";
import { TideLine } from "../kit/tide-line.tsx";

interface Props {
  readonly id: string;
  readonly day: string;
  readonly group: string;
  readonly outline: PlanOutline;
  readonly small?: boolean;
}

const WIDTH = 560;
const HEIGHT = { small: 110, large: 130 } as const;

/** The tide of an outline, at any width. */
export function OutlineTide({ outline, height }: { outline: PlanOutline; height: number }) {
  const scale = WIDTH / Math.max(1, outline.blocks[outline.blocks.length - 1]?.to ?? 1);
  return (
    <TideLine
      blocks={outline.blocks.map(({ from, to, balance, rising }) => ({
        left: from * scale,
        right: to * scale,
        height: balance,
        rising,
      }))}
      leaving={outline.leavingRising}
      width={WIDTH}
      height={height}
      label={[...new Set(outline.blocks.map(({ name }) => name))].join(", ")}
      className="block h-auto w-full"
    />
  );
}

/** A plan as its tide, leading to its board, and to where it is copied, moved or deleted. */
export function PlanOutlinePicture({ id, day, group, outline, small = false }: Props) {
  return (
    <>
      <Link
        to={`/plans/${id}`}
        className="block overflow-hidden rounded-soft border border-sand-300 bg-white no-underline hover:border-tide-600"
      >
        <span className="flex flex-wrap items-baseline justify-between gap-x-3 px-4 pt-3">
          <span className={`font-display font-bold ${small ? "text-lg" : "text-xl"}`}>
            {small ? shortDay(day) : formatDay(day)}
          </span>
          <span className="text-sand-600">
            {!small && `${group} · `}
            {count(outline.movements, "movement", "movements")} · {formatMinutes(outline.total)}
          </span>
        </span>
        <OutlineTide outline={outline} height={small ? HEIGHT.small : HEIGHT.large} />
      </Link>
      <Link
        to={`/plans/${id}/organise`}
        className="flex min-h-8 w-fit items-center px-4 text-sand-600 underline underline-offset-4"
      >
        Copy or move
        <span className="sr-only">
          {" "}
          {group}, {formatDay(day)}
        </span>
      </Link>
    </>
  );
}
