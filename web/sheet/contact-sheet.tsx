import { ON_ARMRESTS, onRail } from "@able-tide/core/body/supports";
import { type Movement, rises } from "@able-tide/core/movement/format";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import { FULL_STANDING_VARIANT, type VariantKind } from "@able-tide/core/movement/variant";
import { variantWords } from "@able-tide/words/variant-words";
import { renderToStaticMarkup } from "react-dom/server";
import { FigureStrip } from "../app/kit/moving-figure.tsx";

const VIEWS = ["front", "side", "above"] as const;
/** Water to the waist, share of stature. */
const WATERLINE = 0.62;
const COLOURS = `
  :root { --figure-near: #26707d; --figure-far: #8cc2c4; --figure-trunk: #1d5563; --figure-ground: #d5c8ac; --figure-mark: #b8451d; --figure-water: #3f8d96; }
  body { margin: 12px; font: 14px sans-serif; color: #10303a; background: #fff; display: grid; grid-template-columns: repeat(4, 1fr); gap: 8px; }
  figure { margin: 0; border: 1px solid #d5c8ac; border-radius: 6px; padding: 4px 6px; overflow: hidden; }
  p { margin: 2px 0 4px; min-height: 2.4em; font-size: 12px; }
  .row { display: flex; } .row svg { flex: 1; min-width: 0; } .front svg, .side svg { height: 74px; } .above svg { height: 46px; }`;

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
        VIEWS.map((view) => (
          <div key={view} className={view}>
            <FigureStrip samples={samples} view={view} waterline={kind === "water" ? WATERLINE : undefined} className="row" />
          </div>
        ))}
    </figure>
  );
}

/** A page of movements in one form each, their key poses from the front, the side and above. */
export function contactSheet(movements: readonly Movement[], kind: VariantKind): string {
  return `<!doctype html><meta charset="utf-8"><style>${COLOURS}</style>${renderToStaticMarkup(
    movements.map((movement) => <Tile key={movement.id} movement={movement} kind={kind} />),
  )}`;
}
