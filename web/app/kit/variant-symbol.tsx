import type { VariantKind } from "@able-tide/core/movement/variant";
import { SIDES, type Side } from "@able-tide/core/side";
import { memo, useId } from "react";

/** What a vessel tells: the variant by its outline, how much by its fill, one-sidedness by a cut in the rim. */
export interface VariantSymbolProps {
  readonly form: VariantKind | "rest";
  /** Share of full size, 0 to 1. */
  readonly level: number;
  readonly hold?: Side | "both" | null;
  readonly lighterSide?: Side | null;
  /** What it says to who cannot see it; without it the symbol is decoration next to words. */
  readonly label?: string;
  readonly size?: number;
}

/** Outline of the glass, inside which the water stands: a 24 by 24 field, rim at 4, foot at 21. */
const OUTLINES = {
  standing: { path: "M6.5 4 L8 21 H16 L17.5 4", rim: 4, foot: 21 },
  supported: { path: "M6.5 4 L8 21 H16 L17.5 4", rim: 4, foot: 21 },
  water: { path: "M7.5 4 C2.5 9 3 17 8.5 21 H15.5 C21 17 21.5 9 16.5 4", rim: 4, foot: 21 },
  seated: { path: "M2.5 9 C2.5 16.5 6.5 21 12 21 C17.5 21 21.5 16.5 21.5 9", rim: 9, foot: 21 },
} as const;

/** A handle on the side of the hand that holds on. Seen from the front, the person's right is on the left. */
const HANDLE = { right: "M7 8.5 C1.5 8.5 1.5 16 7.6 16", left: "M17 8.5 C22.5 8.5 22.5 16 16.4 16" } as const;

function notchAt(form: VariantKind, side: Side): string {
  const { rim } = OUTLINES[form];
  const reach = form === "seated" ? 9.5 : 5.5;
  const x = side === "right" ? 12 - reach : 12 + reach;
  return `M${x - 3.2} ${rim - 4} L${x} ${rim + 0.5} L${x + 3.2} ${rim - 4}`;
}

/** The product's one sign: a small vessel, filled to how much of the full movement someone does. */
export const VariantSymbol = memo(function Vessel({
  form,
  level,
  hold = null,
  lighterSide = null,
  label,
  size = 28,
}: VariantSymbolProps) {
  const clip = useId();
  const named = label ? ({ role: "img", "aria-label": label } as const) : ({ "aria-hidden": true } as const);
  if (form === "rest")
    return (
      <svg viewBox="0 0 24 24" width={size} height={size} {...named}>
        <circle cx="12" cy="13" r="7.5" fill="none" stroke="var(--vessel-line)" strokeWidth="1.8" strokeDasharray="2.2 3.1" />
      </svg>
    );
  const { path, rim, foot } = OUTLINES[form];
  const surface = foot - Math.max(0.06, level) * (foot - rim - 1.6);
  return (
    <svg viewBox="0 0 24 24" width={size} height={size} overflow="visible" {...named}>
      <clipPath id={clip}>
        <path d={`${path} Z`} />
      </clipPath>
      <path d={`${path} Z`} fill="var(--vessel-glass)" />
      <path
        clipPath={`url(#${clip})`}
        fill="var(--vessel-water)"
        d={`M0 ${surface} Q4 ${surface - 1.3} 8 ${surface} T16 ${surface} T24 ${surface} V24 H0 Z`}
      />
      {SIDES.filter((side) => hold === side || hold === "both").map((side) => (
        <path key={side} d={HANDLE[side]} fill="none" stroke="var(--vessel-line)" strokeWidth="1.8" />
      ))}
      <path d={path} fill="none" stroke="var(--vessel-line)" strokeWidth="1.8" strokeLinejoin="round" strokeLinecap="round" />
      {lighterSide && (
        <path
          d={notchAt(form, lighterSide)}
          fill="none"
          stroke="var(--vessel-mark)"
          strokeWidth="2.4"
          strokeLinejoin="round"
          strokeLinecap="round"
        />
      )}
    </svg>
  );
});

const FORM_WORDS = {
  standing: "standing variant",
  supported: "standing variant with support",
  seated: "seated variant",
  water: "aquatic variant",
  rest: "rest",
} as const;

/** A vessel in words: "seated variant, 75% of full range, less on the right". */
export function describeVariant({ form, level, lighterSide }: VariantSymbolProps): string {
  if (form === "rest") return "rest";
  const size = level > 0.99 ? "full range" : `${Math.round(level * 100)}% of full range`;
  return [FORM_WORDS[form], size, lighterSide && `less on the ${lighterSide}`].filter(Boolean).join(", ");
}
