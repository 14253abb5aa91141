import type { ScriptWording } from "./script.ts";

/** Codes in place of sentences. */
export const CODES: ScriptWording = {
  steps: (steps) => steps.map(({ phrase, side }) => `${phrase} ${side ?? ""}`.trim()),
  hazard: (hazard) => hazard,
};
