import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";
import { figureAddress } from "../kit/figure-address.ts";

interface Props {
  readonly movement: Movement;
  readonly planned: VariantSpec;
  readonly lead: Side;
  /** Version of the movement's pictures. */
  readonly version: string;
  readonly large?: boolean;
}

/** On a narrow screen a strip is no wider than it may be; on paper it is 19 mm high. */
const ON_PAPER =
  "h-16 w-36 object-contain md:h-[19mm] md:w-auto print:h-[19mm] print:w-auto print:max-w-none [.on-paper_&]:h-[19mm] [.on-paper_&]:w-auto [.on-paper_&]:max-w-none";

/** The key poses of a variant in a row, small enough for a page of many or large for a card. */
export function KeyFigures({ movement, planned, lead, version, large = false }: Props) {
  return (
    <img
      src={figureAddress(movement.id, version, { variant: planned, lead, fineness: large ? "medium" : "small" })}
      alt={`${taughtName(movement)}: its key poses`}
      className={large ? "h-64 w-full object-contain" : ON_PAPER}
    />
  );
}
