import { createHash } from "node:crypto";
import { pointColumn } from "@able-tide/core/body/channels";
import { createMemo } from "@able-tide/core/memo";
import type { Movement } from "@able-tide/core/movement/format";
import { FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { renderToStaticMarkup } from "react-dom/server";
import sheet from "../figure.css?raw";
import { Figure, FLOOR } from "../kit/figure.tsx";
import { placer } from "../kit/figure-geometry.ts";
import { neutralPosture } from "../kit/neutral-posture.ts";
import { movementStrip, type Strip } from "../kit/strip.ts";
import { selfContained } from "./self-contained.ts";

/** The movement in the first variant it has: standing, or on a chair, or in water. */
function firstStrip(movement: Movement): Strip | null {
  const kind = (["standing", "seated", "water"] as const).find((each) => (movement.forms[each] ?? false) !== false);
  return kind === undefined ? null : movementStrip(movement, { ...FULL_STANDING_VARIANT, kind }, "right");
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
function fileOf(strip: Strip): string {
  const { poses, build, view } = strip;
  const { left, wide } = breadthOf(strip);
  const picture = { ...strip.picture, left: left / 100, wide: wide / 100 };
  const height = Math.ceil(100 * picture.high);
  return selfContained(
    renderToStaticMarkup(
      <svg xmlns="http://www.w3.org/2000/svg" viewBox={`0 0 ${poses.length * (wide + GAP) - GAP} ${height}`}>
        {poses.map(({ row, frame }, number) => (
          <Figure
            // biome-ignore lint/suspicious/noArrayIndexKey: poses of one strip never change their places.
            key={number}
            row={row}
            frame={frame}
            build={build}
            view={view}
            fineness="small"
            picture={picture}
            place={{ x: number * (wide + GAP), y: 0, width: wide, height }}
          />
        ))}
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
const edition = digest(renderToStaticMarkup(<Figure {...neutralPosture()} view="facing" fineness="small" />) + sheet);

/** Tells one picture of a movement from another: by what the movement is and how figures are drawn. */
export const movementFigureVersion = ({ name: _, cues: __, ...poses }: Movement): string =>
  digest(edition + JSON.stringify(poses));

/** The key poses of a movement as a picture file; null where no body can do it. Drawn once for the same movement. */
export const movementFigure = (movement: Movement): string | null =>
  kept(movementFigureVersion(movement), () => {
    const strip = firstStrip(movement);
    return strip && fileOf(strip);
  });
