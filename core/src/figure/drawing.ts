import type { FigureDetail } from "./arm-parts.ts";
import type { Camera } from "./camera.ts";
import { LIFELIKE } from "./figure-parts.ts";
import { type FigurePart, MATERIALS, type Material, WITHIN_SKIN } from "./part.ts";
import { type Raster, rasterOf } from "./raster.ts";
import { addAbove, addLeft, type Borders, linesOf, noBorders, pathOf } from "./trace.ts";

/** How finely a figure is drawn. */
export interface Fineness {
  /** Cells for a whole stature: about twice the pixels that a figure is high. */
  readonly scale: number;
  /** Whether the side away from the light is darker. */
  readonly shaded: boolean;
  /** By how many half cells a line may stray. */
  readonly tolerance: number;
  /** How the hands are drawn: in small pictures a little larger than life. */
  readonly detail: FigureDetail;
}

/** Figures of a list, of a card or strip, and large ones. */
export const FINENESS = {
  small: { scale: 150, shaded: false, tolerance: 1.1, detail: { hands: 1.3, fingers: false, face: 1.6 } },
  medium: { scale: 300, shaded: true, tolerance: 1, detail: { hands: 1.12, fingers: true, face: 1.3 } },
  large: { scale: 560, shaded: true, tolerance: 1, detail: LIFELIKE },
} as const satisfies Record<string, Fineness>;
/** One of {@link FINENESS}. */
export type FinenessName = keyof typeof FINENESS;

/**
 * A figure as filled areas and lines. Paths are in half cells; `left` and `top` say where they begin on the picture.
 */
export interface FigureDrawing {
  /** Half cells for a whole stature. */
  readonly unit: number;
  /** Where the paths begin on the picture, shares of stature: across to the right, and up. */
  readonly left: number;
  readonly top: number;
  /** Breadth and height of what is drawn, half cells. */
  readonly wide: number;
  readonly high: number;
  /** One area a material, in the order of {@link MATERIALS}. */
  readonly areas: readonly { readonly material: Material; readonly path: string }[];
  /** What lies away from the light; empty where nothing is shaded. */
  readonly shade: string;
  /** Outlines, and the lines where one part passes before another. */
  readonly ink: string;
}

/** A step in depth that is drawn as a line, share of stature. */
const STEP = 0.03;
/** Surfaces with less light are in the shade. */
const SHADE = 0.12;

/** Materials between which no line is drawn are one. */
const soft = (material: Material): Material =>
  WITHIN_SKIN.includes(material) ? "skin" : material === "leftShoe" ? "shoe" : material;

/**
 * The borders of the cells of each value but 0, which is no area.
 *
 * @param values whole numbers from 0, cell by cell
 */
function areaBorders(values: Uint8Array, wide: number, high: number): ReadonlyMap<number, Borders> {
  const areas: (Borders | undefined)[] = [];
  const bordersOf = (value: number): Borders => {
    const known = areas[value] ?? noBorders(wide, high);
    areas[value] = known;
    return known;
  };
  // The outermost cells are empty, so that every area has its borders inside.
  for (let row = 1; row < high; row += 1)
    for (let column = 1; column < wide; column += 1) {
      const cell = row * wide + column;
      const [here, above, left] = [values[cell] ?? 0, values[cell - wide] ?? 0, values[cell - 1] ?? 0];
      if (here === above && here === left) continue;
      const corner = row * (wide + 1) + column;
      if (here !== above) for (const value of [here, above]) if (value > 0) addAbove(bordersOf(value), corner);
      if (here !== left) for (const value of [here, left]) if (value > 0) addLeft(bordersOf(value), corner);
    }
  return new Map(areas.flatMap((borders, value) => (borders ? [[value, borders] as const] : [])));
}

/** Where lines are drawn: round what is seen, and where materials, sides or depths meet. */
function inkBorders(parts: readonly FigurePart[], { seen, near, wide, high }: Raster): Borders {
  const kinds = Uint8Array.from([0, ...parts.map((part) => 1 + MATERIALS.indexOf(soft(part.material)))]);
  const sides = Uint8Array.from([0, ...parts.map(({ side }) => (side === null ? 0 : side === "left" ? 1 : 2))]);
  const borders = noBorders(wide, high);
  const apart = (cell: number, other: number): boolean => {
    const [a, b] = [seen[cell] ?? 0, seen[other] ?? 0];
    if (a === 0 || b === 0) return a !== b;
    if (Math.abs((near[cell] ?? 0) - (near[other] ?? 0)) > STEP) return true;
    if (a === b) return false;
    if (kinds[a] !== kinds[b]) return true;
    return (sides[a] ?? 0) + (sides[b] ?? 0) === 3;
  };
  for (let row = 1; row < high; row += 1)
    for (let column = 1; column < wide; column += 1) {
      const cell = row * wide + column;
      const corner = row * (wide + 1) + column;
      if (apart(cell, cell - wide)) addAbove(borders, corner);
      if (apart(cell, cell - 1)) addLeft(borders, corner);
    }
  return borders;
}

/**
 * Draws closed parts: what is nearest is seen. The same parts give the same drawing.
 *
 * @param parts of the figure and of what it sits on and holds
 * @param camera from where it is looked at
 * @param fineness how finely
 */
export function drawingOf(
  parts: readonly FigurePart[],
  camera: Camera,
  { scale, shaded, tolerance }: Omit<Fineness, "detail">,
): FigureDrawing {
  const raster = rasterOf(parts, camera, scale);
  const { wide, high, seen, light, left, top } = raster;
  const numbers = Uint8Array.from([0, ...parts.map((part) => 1 + MATERIALS.indexOf(part.material))]);
  const materials = new Uint8Array(seen.length);
  const shades = new Uint8Array(seen.length);
  for (let cell = 0; cell < seen.length; cell += 1) {
    const part = seen[cell] ?? 0;
    materials[cell] = numbers[part] ?? 0;
    if (shaded && part > 0 && (light[cell] ?? 0) < SHADE) shades[cell] = 1;
  }
  const filled = (borders: Borders | undefined): string => (borders ? pathOf(linesOf(borders, true), tolerance, true) : "");
  const areas = areaBorders(materials, wide, high);
  return {
    unit: 2 * scale,
    left,
    top,
    wide: 2 * wide,
    high: 2 * high,
    areas: MATERIALS.flatMap((material, number) => {
      const path = filled(areas.get(number + 1));
      return path ? [{ material, path }] : [];
    }),
    shade: shaded ? filled(areaBorders(shades, wide, high).get(1)) : "",
    ink: pathOf(linesOf(inkBorders(parts, raster), false), tolerance, false),
  };
}
