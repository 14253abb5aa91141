import { DEGREE } from "../body/rotation.ts";

/**
 * From where a figure is looked at, degrees. Azimuth 0 is face to face, 90 from the person's right, 180 from behind; elevation
 * is how far the eye looks down.
 */
export interface Camera {
  readonly azimuth: number;
  readonly elevation: number;
}

/**
 * The views that figures are shown in. Flat ones look straight ahead, so that heights and angles can be read from them; the
 * others look down a little, so that an arm held ahead shows.
 */
export const VIEWS = {
  front: { azimuth: 0, elevation: 0 },
  side: { azimuth: 90, elevation: 0 },
  sideLeft: { azimuth: -90, elevation: 0 },
  above: { azimuth: 180, elevation: 90 },
  facing: { azimuth: 0, elevation: 11 },
  back: { azimuth: 180, elevation: 13 },
  oblique: { azimuth: 34, elevation: 13 },
  obliqueLeft: { azimuth: -34, elevation: 13 },
  wide: { azimuth: 58, elevation: 10 },
  wideLeft: { azimuth: -58, elevation: 10 },
  aside: { azimuth: 90, elevation: 7 },
  asideLeft: { azimuth: -90, elevation: 7 },
} as const satisfies Record<string, Camera>;

/** One of {@link VIEWS}. */
export type ViewName = keyof typeof VIEWS;

/** A place on the picture: across to the right, up, and how near it is to the eye; shares of stature. */
export interface Projected {
  readonly across: number;
  readonly up: number;
  readonly near: number;
}

/**
 * Puts places of the figure's room on a picture, without perspective.
 *
 * @param camera from where it is looked at
 * @returns the place on the picture of X ahead, Y up, Z to the right, shares of stature
 */
export function projection({ azimuth, elevation }: Camera): (x: number, y: number, z: number) => Projected {
  const [ca, sa] = [Math.cos(azimuth * DEGREE), Math.sin(azimuth * DEGREE)];
  const [ce, se] = [Math.cos(elevation * DEGREE), Math.sin(elevation * DEGREE)];
  return (x, y, z) => {
    const towards = x * ca + z * sa;
    return { across: x * sa - z * ca, up: y * ce - towards * se, near: towards * ce + y * se };
  };
}
