/** About one micrometre on a person. */
const TOLERANCE = 5e-7;
/** The pelvis carries most of the mass with it while the planted legs lag behind: this gain nearly cancels the lag. */
export const GAIN = 1.16;
const MOST_PLAIN_STEPS = 16;
/** From this step on the pelvis is within millimetres of its place. */
const NEAR_FROM = 8;
/** Its steps get small so fast that nearer costs next to nothing. */
const NEWTON_TOLERANCE = 1e-10;
const MOST_NEWTON_STEPS = 10;
/** Move of the pelvis by which slopes are read, share of H. */
const SLOPE_MOVE = 1e-7;
/** How often a Newton step that does not bring the mass nearer is halved. */
const MOST_HALVINGS = 8;

/** A body whose pelvis is to be found over its feet: forward (X) and right (Z), shares of H. */
export interface Balancing {
  /** Where the pelvis is. */
  readonly pelvis: readonly [x: number, y: number, z: number];
  /** How far the centre of mass is from where it should stand. */
  readonly miss: readonly [x: number, z: number];
  /** Places the body with its pelvis there and measures `miss`. @param near whether the pelvis moves by millimetres only */
  place(x: number, z: number, near: boolean): void;
}

const missSquared = ({ miss }: Balancing): number => miss[0] ** 2 + miss[1] ** 2;
const within = (body: Balancing, tolerance: number): boolean => missSquared(body) < tolerance * tolerance;

/**
 * How much further than the plain step to go, from how the miss shrank last time (Aitken): 1 without a last time.
 */
function speedUp(miss: number, last: number): number {
  if (last === 0) return 1;
  return 1 / (1 - Math.min(0.5, Math.max(-0.5, miss / last)));
}

/** Moves the pelvis by about as much as the mass misses its place. @returns whether the place was found; if not, the body is at the best */
function findByPlainSteps(body: Balancing): boolean {
  const { pelvis, miss } = body;
  let lastX = 0;
  let lastZ = 0;
  let nextX = pelvis[0];
  let nextZ = pelvis[2];
  let best = Number.POSITIVE_INFINITY;
  let bestX = nextX;
  let bestZ = nextZ;
  for (let count = 0; count < MOST_PLAIN_STEPS; count += 1) {
    body.place(nextX, nextZ, count >= NEAR_FROM);
    if (within(body, TOLERANCE)) return true;
    const [x, z] = miss;
    if (missSquared(body) < best) {
      best = missSquared(body);
      bestX = nextX;
      bestZ = nextZ;
    }
    nextX += GAIN * x * speedUp(x, lastX);
    nextZ += GAIN * z * speedUp(z, lastZ);
    lastX = x;
    lastZ = z;
  }
  body.place(bestX, bestZ, true);
  return false;
}

/** Newton's method in two dimensions, with steps halved until they help. */
function findByNewton(body: Balancing): void {
  const { pelvis, miss } = body;
  for (let count = 0; count < MOST_NEWTON_STEPS && !within(body, NEWTON_TOLERANCE); count += 1) {
    const before = missSquared(body);
    const [x, , z] = pelvis;
    const [missX, missZ] = miss;
    body.place(x + SLOPE_MOVE, z, true);
    const xx = (miss[0] - missX) / SLOPE_MOVE;
    const zx = (miss[1] - missZ) / SLOPE_MOVE;
    // To both sides, so that the mirror image of a body is found by the mirror images of its steps.
    body.place(x, z + SLOPE_MOVE, true);
    const [rightX, rightZ] = miss;
    body.place(x, z - SLOPE_MOVE, true);
    const xz = (rightX - miss[0]) / (2 * SLOPE_MOVE);
    const zz = (rightZ - miss[1]) / (2 * SLOPE_MOVE);
    const determinant = xx * zz - xz * zx;
    // No move changes anything: the body cannot be balanced from here.
    if (determinant === 0) return;
    let stepX = (xz * missZ - zz * missX) / determinant;
    let stepZ = (zx * missX - xx * missZ) / determinant;
    body.place(x + stepX, z + stepZ, true);
    for (let halvings = 0; !(missSquared(body) < before) && halvings < MOST_HALVINGS; halvings += 1) {
      stepX /= 2;
      stepZ /= 2;
      body.place(x + stepX, z + stepZ, true);
    }
    if (missSquared(body) < before) continue;
    body.place(x, z, true);
    return;
  }
}

/**
 * Moves the pelvis until the centre of mass stands where it should, to about a micrometre on a person. A few plain steps are
 * enough for nearly every pose. Where an arm that holds on or a leg that reaches far is nearly straight, the mass goes far when
 * the pelvis moves a little: Newton's method takes over. Where both legs come to be straight at once there may be no such place
 * to a micrometre; the best found is then taken, which is within ten in all poses that were tried. The body stays as it was placed last.
 */
export function findPelvis(body: Balancing): void {
  if (!findByPlainSteps(body)) findByNewton(body);
}
