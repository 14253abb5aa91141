import { createHash } from "node:crypto";
import { SUMMARY_VERSION, SUMMARY_WIDTH, type Summaries, summarisedVariants } from "@able-tide/core/fit/summary";
import type { Movement } from "@able-tide/core/movement/format";
import type { Knex } from "knex";
import { PRIORITY } from "../../jobs/fit-runner.ts";
import { fitting } from "../fitting/fitting.ts";

/** The same for movements whose variants ask the same: names and cues do not count. */
export function contentHash(
  { name: _, cues: __, id: ___, oneHand: ____, ...poses }: Movement,
  version = SUMMARY_VERSION,
): string {
  return createHash("sha256")
    .update(JSON.stringify([version, SUMMARY_WIDTH, poses]))
    .digest("hex");
}

function fromBytes(movement: Movement, bytes: Buffer): Summaries | null {
  const forms = summarisedVariants(movement);
  if (bytes.byteLength !== 4 * forms.length * SUMMARY_WIDTH) return null;
  return { forms, values: new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)) };
}

/** Demand of every variant of a movement: as stored, or solved now in a thread, and stored. */
export async function loadSummaries(database: Knex, movement: Movement, now: () => Date): Promise<Summaries> {
  const hash = contentHash(movement);
  const row = await database("form_summaries")
    .where({ content_hash: hash })
    .first<{ summaries: Buffer } | undefined>("summaries");
  const kept = row && fromBytes(movement, row.summaries);
  if (kept) return kept;
  const made = await fitting().run("summaries", movement, { priority: PRIORITY.background });
  const summaries = Buffer.from(made.values.buffer, made.values.byteOffset, made.values.byteLength);
  await database("form_summaries")
    .insert({ content_hash: hash, summaries, made_at: now() })
    .onConflict("content_hash")
    .merge(["summaries", "made_at"]);
  return made;
}
