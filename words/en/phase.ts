import type { Phase } from "@able-tide/core/movement/format";

const PHASES: Readonly<Record<Phase, string>> = { arrive: "Arrive", loosen: "Loosen", flow: "Flow", settle: "Settle" };

/** What a phase of a session is called. */
export const phaseLabel = (phase: Phase): string => PHASES[phase];
