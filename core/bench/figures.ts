import { itemAt } from "../src/checked-access.ts";
import { VIEWS } from "../src/figure/camera.ts";
import { drawingOf, FINENESS, type FinenessName } from "../src/figure/drawing.ts";
import { figureParts } from "../src/figure/figure-parts.ts";
import { meshOf } from "../src/figure/mesh.ts";
import { sampleTrack } from "../src/movement/samples.ts";
import { segmentOfSample } from "../src/movement/solved-samples.ts";
import type { Track } from "../src/movement/track.ts";

/** Pictures of poses of the library: the flat drawing at each size, and the mesh at reduced detail. */
export function figureWork(tracks: readonly Track[]) {
  const poses = tracks.map((track) => {
    const samples = sampleTrack(track);
    const width = samples.rows.length / samples.count;
    return { row: samples.rows.slice(0, width), frame: segmentOfSample(samples, 0).frame };
  });
  const pose = (run: number) => itemAt(poses, run % poses.length);
  const drawn = (fineness: FinenessName) => (run: number) => {
    const { row, frame } = pose(run);
    drawingOf(figureParts(row, frame, undefined, FINENESS[fineness].detail), VIEWS.oblique, FINENESS[fineness]);
  };
  return {
    "one flat drawing of a figure, list size": { runs: 200, warmUp: 60, run: drawn("small") },
    "one flat drawing of a figure, card size": { runs: 100, warmUp: 30, run: drawn("medium") },
    "one mesh of a figure, reduced detail": {
      runs: 200,
      warmUp: 60,
      run: (run: number) => {
        const { row, frame } = pose(run);
        meshOf(figureParts(row, frame, undefined, { hands: 1, fingers: false, face: 1 }), 8);
      },
    },
  };
}
