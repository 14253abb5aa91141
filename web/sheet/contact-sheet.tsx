import { ON_ARMRESTS, onRail } from "@able-tide/core/body/supports";
import { type Movement, rises } from "@able-tide/core/movement/format";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import { FULL_STANDING_VARIANT, type VariantKind } from "@able-tide/core/movement/variant";
import { variantWords } from "@able-tide/words/variant-words";
import { renderToStaticMarkup } from "react-dom/server";
import { FigureStrip } from "../app/kit/moving-figure.tsx";
import { stripFrom, stripOf } from "../app/kit/strip.ts";

/** Water to the waist, share of stature. */
const WATERLINE = 0.62;
const LAYOUT = `
  body { margin: 12px; font: 14px sans-serif; color: #10303a; background: #fff; display: grid; grid-template-columns: repeat(4, 1fr); gap: 8px; }
  figure { margin: 0; border: 1px solid #d5c8ac; border-radius: 6px; padding: 4px 6px; overflow: hidden; }
  p { margin: 2px 0 4px; min-height: 2.4em; font-size: 12px; }
  .row { display: flex; } .row svg { flex: 1; min-width: 0; } .telling svg { height: 120px; } .above svg { height: 60px; }`;

function Tile({ movement, kind }: { movement: Movement; kind: VariantKind }) {
  const hold = kind === "supported" ? (rises(movement) ? ON_ARMRESTS : onRail("left")) : null;
  const choice = { ...FULL_STANDING_VARIANT, kind, hold };
  const words = variantWords(movement, choice);
  const track = trackOf(movement, choice, "right");
  const samples = track && sampleTrack(track);
  return (
    <figure>
      <figcaption>
        <strong>{words.name}</strong> · {kind}
        {samples?.problem && ` · ${samples.problem.what.kind} at ${samples.problem.phase.toFixed(2)}`}
      </figcaption>
      <p>{words.cues.do}</p>
      {samples &&
        (["telling", "above"] as const).map((row) => (
          <div key={row} className={row}>
            <FigureStrip
              strip={row === "above" ? stripFrom(samples, "above") : stripOf(samples)}
              waterline={kind === "water" ? WATERLINE : undefined}
              className="row"
            />
          </div>
        ))}
    </figure>
  );
}

/**
 * A page of movements in one form each, their key poses from the view that tells them best and from above.
 *
 * @param colours style sheet with the figure's colours
 */
export function contactSheet(movements: readonly Movement[], kind: VariantKind, colours: string): string {
  return `<!doctype html><meta charset="utf-8"><style>${colours}${LAYOUT}</style>${renderToStaticMarkup(
    movements.map((movement) => <Tile key={movement.id} movement={movement} kind={kind} />),
  )}`;
}
