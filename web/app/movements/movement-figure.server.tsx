import { createHash } from "node:crypto";
import { pointColumn } from "@able-tide/core/body/channels";
import { VIEWS } from "@able-tide/core/figure/camera";
import { pictureOf } from "@able-tide/core/figure/framing";
import { createMemo } from "@able-tide/core/memo";
import type { Movement } from "@able-tide/core/movement/format";
import { FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { renderToStaticMarkup } from "react-dom/server";
import { figureAhead } from "../../server/movements/library-ahead.ts";
import sheet from "../figure.css?raw";
import { FLOOR } from "../kit/figure.tsx";
import type { PicturedVariant } from "../kit/figure-address.ts";
import { placer } from "../kit/figure-geometry.ts";
import { StripFigures } from "../kit/moving-figure.tsx";
import { neutralPosture } from "../kit/neutral-posture.ts";
import { selfContained } from "../kit/self-contained.ts";
import { movementStrip, type Strip } from "../kit/strip.ts";
import { usualWaterline } from "../kit/usual-water.ts";

/** The first variant that a movement has: standing, or on a chair, or in water. */
function firstVariant({ forms }: Movement): PicturedVariant | null {
  const kind = (["standing", "seated", "water"] as const).find((each) => (forms[each] ?? false) !== false);
  return kind === undefined ? null : { variant: { ...FULL_STANDING_VARIANT, kind }, lead: "right", fineness: "small" };
}

/** Empty room between poses, hundredths of stature. */
const GAP = 4;

/** From where to where a picture reaches with the floor under every pose, whole hundredths of stature. */
function breadthOf({ poses, view, picture }: Strip): { readonly left: number; readonly wide: number } {
  const floors = poses.map(({ row }) => placer(row, view).at(pointColumn("pelvis")).x);
  const left = Math.floor(Math.min(100 * picture.left, ...floors.map((x) => x - FLOOR)));
  const right = Math.ceil(Math.max(100 * (picture.left + picture.wide), ...floors.map((x) => x + FLOOR)));
  return { left, wide: right - left };
}

/** Key poses side by side as the text of a picture file. */
function fileOf(strip: Strip, fineness: PicturedVariant["fineness"], waterline?: number): string {
  const { left, wide } = breadthOf(strip);
  const picture = { ...strip.picture, left: left / 100, wide: wide / 100 };
  const height = Math.ceil(100 * picture.high);
  return selfContained(
    renderToStaticMarkup(
      <svg xmlns="http://www.w3.org/2000/svg" viewBox={`0 0 ${strip.poses.length * (wide + GAP) - GAP} ${height}`}>
        <StripFigures
          strip={{ ...strip, picture }}
          fineness={fineness}
          waterline={waterline}
          placeOf={(number) => ({ x: number * (wide + GAP), y: 0, width: wide, height })}
        />
      </svg>,
    ),
    sheet,
  );
}

/** Pictures that are kept as text: every movement of a few organisations. */
const MOST_KEPT = 400;
const kept = createMemo<string, string | null>(MOST_KEPT);

const digest = (text: string): string => createHash("sha256").update(text).digest("base64url").slice(0, 16);

/** What figures look like at present: another one where they are drawn in another way. */
function drawnNow(): string {
  const { row, frame, build } = neutralPosture();
  const poses = [{ row, frame }];
  const strip: Strip = { poses, build, view: "facing", picture: pictureOf(poses, VIEWS.facing) };
  return digest(fileOf(strip, "small") + fileOf(strip, "small", usualWaterline(FULL_STANDING_VARIANT, true)));
}
let edition: string | undefined;
const versions = new WeakMap<Movement, string>();

/** Tells the pictures of a movement from those of another: by what the movement is and how figures are drawn. */
export function movementFigureVersion(movement: Movement): string {
  edition ??= drawnNow();
  const { name: _, cues: __, ...poses } = movement;
  const version = versions.get(movement) ?? digest(edition + JSON.stringify(poses));
  versions.set(movement, version);
  return version;
}

/** Tells a picture from all others. */
export const figureKey = (movement: Movement, of: PicturedVariant | null = firstVariant(movement)): string =>
  `${movementFigureVersion(movement)} ${JSON.stringify(of)}`;

/**
 * The key poses of a movement as a picture file; drawn once for the same movement and variant.
 *
 * @param of the variant shown; the first that the movement has unless it is said
 * @returns null where there is no such variant, or no body can do it
 */
export function movementFigure(movement: Movement, of: PicturedVariant | null = firstVariant(movement)): string | null {
  const key = figureKey(movement, of);
  return (
    figureAhead(key) ??
    kept(key, () => {
      const strip = of && movementStrip(movement, of.variant, of.lead);
      return strip && fileOf(strip, of.fineness, usualWaterline(of.variant));
    })
  );
}
