import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { VARIANT_KINDS } from "@able-tide/core/movement/variant";
import { purposeLabel } from "@able-tide/words/movement";
import { phaseLabel } from "@able-tide/words/phase";
import { Download } from "lucide-react";
import { Link } from "react-router";
import type { MovementDemand } from "../../server/movements/movement-demand.ts";
import { VariantSymbol } from "../kit/variant-symbol.tsx";

interface Props {
  readonly movement: Movement;
  readonly shipped: boolean;
  readonly demand: MovementDemand | null;
  /** Address of the picture of its key poses. */
  readonly figure: string;
}

function demandWords(demand: MovementDemand | null): string {
  if (demand === null) return "In water only";
  const knee = Math.round(demand.loadedKnee);
  const lowest = demand.lowest?.balance ?? demand.balance;
  const down = lowest < demand.balance - 0.1 ? `, down to ${lowest.toFixed(1)}` : "";
  return [
    `Balance demand ${demand.balance.toFixed(1)}${down}`,
    demand.handsOver ? `hands above ${demand.handsOver} height` : "hands below lap height",
    knee > 0 && `knee ${knee}°`,
  ]
    .filter(Boolean)
    .join(" · ");
}

/** A movement to look through: its key poses, its purpose, demand and variants. */
export function MovementCard({ movement, shipped, demand, figure }: Props) {
  return (
    <li className="flex min-w-0 flex-col rounded-soft border border-sand-300 bg-white p-4">
      <img src={figure} alt="" loading="lazy" decoding="async" width={400} height={160} className="h-40 w-full object-contain" />
      <h2 className="mt-2 text-lg">{taughtName(movement)}</h2>
      <p className="text-sand-600">
        {phaseLabel(movement.phase)} · {movement.purpose.map(purposeLabel).join(", ")}
        {!shipped && " · added by you"}
      </p>
      <p className="mt-1">{movement.cues.do}</p>
      {demand && demand.parts.length > 0 && <p className="mt-1">Moves: {demand.parts.join(", ")}</p>}
      <p className="mt-1 font-semibold">{demandWords(demand)}</p>
      <div className="mt-auto flex flex-wrap items-center gap-2 pt-2">
        {VARIANT_KINDS.filter((kind) => (movement.forms[kind] ?? false) !== false).map((kind) => (
          <VariantSymbol key={kind} form={kind} level={1} hold={kind === "supported" ? "left" : null} label={kind} size={24} />
        ))}
        <span className="text-sand-600">{movement.sided ? "each side" : "both sides"}</span>
        <Link to={`/movements/${movement.id}/studio`} className="ml-auto flex min-h-11 items-center underline underline-offset-4">
          Edit<span className="sr-only"> for {taughtName(movement)}</span>
        </Link>
        <a
          href={`/movements/${movement.id}/file`}
          download
          className="flex min-h-11 items-center gap-1 underline underline-offset-4"
        >
          <Download size={18} aria-hidden="true" /> File<span className="sr-only"> of {taughtName(movement)}</span>
        </a>
      </div>
    </li>
  );
}
