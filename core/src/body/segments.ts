/**
 * Segment lengths, breadths and masses of the body model.
 *
 * Lengths are shares of stature H, masses shares of body mass M.
 * Lengths: Drillis and Contini, in Winter, Biomechanics and Motor Control of Human Movement.
 * Masses and centres of mass: Winter's table after Dempster. The entries under
 * "our conventions" are not in those tables; they complete the figure.
 */
export const SHARE = {
  ankleHeight: 0.039,
  shank: 0.246,
  thigh: 0.245,
  trunk: 0.288,
  shoulderToCrown: 0.182,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  footLength: 0.152,
  footBreadth: 0.055,

  // our conventions
  shoulderHalfBreadth: 0.1295,
  hipHalfSeparation: 0.052,
  /** Heel behind the ankle, as a share of foot length. */
  heelBehindAnkle: 0.25,
  neckPivot: 0.03,
  eyeBelowCrown: 0.065,
  eyeAhead: 0.05,
  hipAboveSeat: 0.035,
} as const;

/** Where the two spine hinges sit along the hip-shoulder line, as shares of it. */
export const SPINE_HINGE = { low: 0.27, high: 0.56 } as const;

/** A segment's share of body mass and its centre from the proximal end, as a share of its length. */
export const MASS = {
  headNeck: { share: 0.081, at: 0.5 },
  thorax: { share: 0.216, from: 0.56, to: 1.03 },
  abdomen: { share: 0.139, from: 0.27, to: 0.56 },
  pelvis: { share: 0.142, from: -0.05, to: 0.27 },
  upperArm: { share: 0.028, at: 0.436 },
  forearm: { share: 0.016, at: 0.43 },
  hand: { share: 0.006, at: 0.506 },
  thigh: { share: 0.1, at: 0.433 },
  shank: { share: 0.0465, at: 0.433 },
  foot: { share: 0.0145 },
} as const;

/** Acceleration of gravity, m/s2. */
export const GRAVITY = 9.81;

/**
 * A person's size, the only thing the model needs of them.
 * Poses are solved once for the unit body; lengths then scale with stature, moments with stature times mass.
 */
export interface Body {
  /** Stature in metres. */
  readonly stature: number;
  /** Mass in kilograms. */
  readonly mass: number;
}

/** A body for what no one in particular is doing, metres. */
export const REFERENCE_STATURE = 1.65;
