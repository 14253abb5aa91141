import { ROW_WIDTH } from "@able-tide/core/body/channels";
import { itemAt, numberAt } from "@able-tide/core/checked-access";
import type { VariantSamples } from "@able-tide/core/movement/samples";
import { INTERVALS } from "@able-tide/core/movement/solved-samples";

/** The sample row at a phase, mixed from its two neighbours within a segment. */
export function rowAt(samples: VariantSamples, phase: number): { row: Float64Array; sample: number } {
  const each = INTERVALS + 1;
  const found = samples.segments.findIndex((segment) => phase <= segment.to);
  const number = found < 0 ? samples.segments.length - 1 : found;
  const segment = itemAt(samples.segments, number);
  const u = Math.min(1, Math.max(0, (phase - segment.from) / (segment.to - segment.from))) * INTERVALS;
  const before = Math.min(INTERVALS - 1, Math.floor(u));
  const mix = u - before;
  const sample = number * each + before;
  const row = new Float64Array(ROW_WIDTH);
  for (let i = 0; i < ROW_WIDTH; i += 1) {
    const a = numberAt(samples.rows, sample * ROW_WIDTH + i);
    const b = numberAt(samples.rows, (sample + 1) * ROW_WIDTH + i);
    row[i] = a + mix * (b - a);
  }
  return { row, sample };
}
