import type { CapChange, CapRecord } from "./history.ts";

/** Replays changes into records; each change speaks of caps set before it. */
export function replayCaps(changes: readonly CapChange[]): CapRecord[] {
  const records = new Map<string, CapRecord>();
  for (const change of changes) {
    if (change.kind === "set") {
      records.set(change.cap.id, { ...change.cap, ended: null });
      continue;
    }
    const record = records.get(change.capId);
    if (record?.ended === null)
      records.set(change.capId, { ...record, ended: { at: change.at, by: change.by, because: change.because } });
  }
  return [...records.values()];
}
