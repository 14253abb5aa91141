import { itemAt } from "../checked-access.ts";

/** A line through corners of cells; closed where it ends where it began. Twice whole cells, so that middles are whole too. */
type Line = number[];

/** Borders that meet in each corner of the cells, by bits: 1 to the right, 2 downwards, 4 to the left, 8 upwards. */
export interface Borders {
  /** Corners in a row: one more than cells. */
  readonly columns: number;
  readonly bits: Uint8Array;
}

/**
 * Borders that meet nowhere yet.
 *
 * @param wide cells in a row
 * @param high rows
 */
export const noBorders = (wide: number, high: number): Borders => ({
  columns: wide + 1,
  bits: new Uint8Array((wide + 1) * (high + 1)),
});

/** Adds the border above a cell. @param corner number of its upper left corner */
export function addAbove({ bits }: Borders, corner: number): void {
  bits[corner] = (bits[corner] ?? 0) | 1;
  bits[corner + 1] = (bits[corner + 1] ?? 0) | 4;
}

/** Adds the border on the left of a cell. @param corner number of its upper left corner */
export function addLeft({ bits, columns }: Borders, corner: number): void {
  bits[corner] = (bits[corner] ?? 0) | 2;
  bits[corner + columns] = (bits[corner + columns] ?? 0) | 8;
}

const RIGHT = { bit: 1, back: 4, x: 1, y: 0 } as const;
const DOWN = { bit: 2, back: 8, x: 0, y: 1 } as const;
const LEFT = { bit: 4, back: 1, x: -1, y: 0 } as const;
const UP = { bit: 8, back: 2, x: 0, y: -1 } as const;

const isJunction = (bits: number): boolean => bits !== 3 && bits !== 5 && bits !== 9 && bits !== 6 && bits !== 10 && bits !== 12;

/**
 * Joins borders to lines; uses them up.
 *
 * @param borders between cells
 * @param areas whether they are the borders of areas: every line then comes back to where it began; else lines end where more
 * than two borders meet
 * @returns lines as x, y, x, y, in half cells from the upper left
 */
export function linesOf({ bits, columns }: Borders, areas: boolean): Line[] {
  const lines: Line[] = [];
  const junctions = new Uint8Array(bits.length);
  if (!areas) for (let i = 0; i < bits.length; i += 1) junctions[i] = bits[i] && isJunction(bits[i] ?? 0) ? 1 : 0;
  const follow = (from: number): void => {
    let corner = from;
    let [x, y] = [2 * (corner % columns), 2 * Math.floor(corner / columns)];
    const line: Line = [x, y];
    for (;;) {
      const here = bits[corner] ?? 0;
      const step = here & 1 ? RIGHT : here & 2 ? DOWN : here & 4 ? LEFT : here & 8 ? UP : null;
      if (!step) break;
      bits[corner] = here & ~step.bit;
      corner += step.x + columns * step.y;
      bits[corner] = (bits[corner] ?? 0) & ~step.back;
      x += 2 * step.x;
      y += 2 * step.y;
      line.push(x, y);
      if (corner === from || junctions[corner]) break;
    }
    lines.push(line);
  };
  if (!areas) for (let corner = 0; corner < bits.length; corner += 1) if (junctions[corner]) while (bits[corner]) follow(corner);
  for (let corner = 0; corner < bits.length; corner += 1) while (bits[corner]) follow(corner);
  return lines;
}

/** Takes the stairs out of a line: its points become the middles of its steps, its ends stay. */
function smoothed(line: Line): Line {
  const closed = isClosed(line);
  const middles: Line = closed ? [] : [itemAt(line, 0), itemAt(line, 1)];
  for (let i = 0; i + 3 < line.length; i += 2) {
    middles.push((itemAt(line, i) + itemAt(line, i + 2)) / 2, (itemAt(line, i + 1) + itemAt(line, i + 3)) / 2);
  }
  if (closed) middles.push(itemAt(middles, 0), itemAt(middles, 1));
  else middles.push(itemAt(line, line.length - 2), itemAt(line, line.length - 1));
  return middles;
}

const isClosed = (line: Line): boolean =>
  line.length > 4 && line[0] === line[line.length - 2] && line[1] === line[line.length - 1];

/** Keeps the points of a line that it strays from by more than so many half cells without them. */
function thinned(line: Line, tolerance: number): Line {
  const count = line.length / 2;
  const kept = new Uint8Array(count);
  kept[0] = 1;
  kept[count - 1] = 1;
  const split = (from: number, to: number): void => {
    const [ax, ay] = [itemAt(line, 2 * from), itemAt(line, 2 * from + 1)];
    const [dx, dy] = [itemAt(line, 2 * to) - ax, itemAt(line, 2 * to + 1) - ay];
    const long = Math.hypot(dx, dy);
    let worst = tolerance;
    let at = -1;
    for (let i = from + 1; i < to; i += 1) {
      const [px, py] = [itemAt(line, 2 * i) - ax, itemAt(line, 2 * i + 1) - ay];
      const off = long < 1e-9 ? Math.hypot(px, py) : Math.abs(px * dy - py * dx) / long;
      if (off > worst) {
        worst = off;
        at = i;
      }
    }
    if (at < 0) return;
    kept[at] = 1;
    split(from, at);
    split(at, to);
  };
  split(0, count - 1);
  return line.filter((_, i) => kept[i >> 1] === 1);
}

/**
 * Lines as an SVG path, in half cells, with relative whole numbers.
 *
 * @param lines from {@link linesOf}
 * @param tolerance by how many half cells a line may stray
 * @param filled leaves out what covers nothing
 */
export function pathOf(lines: readonly Line[], tolerance: number, filled: boolean): string {
  return lines
    .map((line) => thinned(smoothed(line), tolerance))
    .filter((line) => !filled || line.length >= 8)
    .map(drawn)
    .join("");
}

function drawn(line: Line): string {
  let [x, y] = [Math.round(itemAt(line, 0)), Math.round(itemAt(line, 1))];
  const closed = isClosed(line);
  let path = `M${x} ${y}l`;
  const end = closed ? line.length - 2 : line.length;
  for (let i = 2; i < end; i += 2) {
    const [nextX, nextY] = [Math.round(itemAt(line, i)), Math.round(itemAt(line, i + 1))];
    const [dx, dy] = [nextX - x, nextY - y];
    path += `${i > 2 && dx >= 0 ? " " : ""}${dx}${dy < 0 ? "" : " "}${dy}`;
    [x, y] = [nextX, nextY];
  }
  return closed ? `${path}z` : path;
}
