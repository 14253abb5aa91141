/** One measured thing: milliseconds a run, and the same as a ratio to the calibration loop of this run. */
interface Measured {
  readonly name: string;
  readonly runs: number;
  readonly median: number;
  readonly percentile95: number;
  /** Median over the calibration's median: comparable between machines. */
  readonly ratio: number;
}

const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;

function times(runs: number, work: (run: number) => void): number[] {
  const taken: number[] = [];
  for (let run = 0; run < runs; run += 1) {
    const start = performance.now();
    work(run);
    taken.push(performance.now() - start);
  }
  return taken.sort((a, b) => a - b);
}

/** A million square roots: what this machine does in its own milliseconds just now. */
function calibrate(): number {
  let sum = 0;
  const loop = () => {
    for (let i = 0; i < 1_000_000; i += 1) sum += Math.sqrt(i ^ (sum & 7));
  };
  times(10, loop);
  return at(times(20, loop), 0.5);
}

/** Measures named pieces of work after a warm-up. */
export function measureAll(
  work: Readonly<Record<string, { readonly runs: number; readonly warmUp: number; readonly run: (run: number) => void }>>,
): { readonly calibrationMilliseconds: number; readonly measured: readonly Measured[] } {
  const calibration = calibrate();
  const measured = Object.entries(work).map(([name, { runs, warmUp, run }]): Measured => {
    times(warmUp, run);
    const taken = times(runs, run);
    const median = at(taken, 0.5);
    return { name, runs, median, percentile95: at(taken, 0.95), ratio: median / calibration };
  });
  return { calibrationMilliseconds: calibration, measured };
}
