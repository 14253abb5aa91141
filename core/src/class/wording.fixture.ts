import type { ScriptWording } from "./script.ts";

/** Codes in place of sentences. */
export const CODES: ScriptWording = { step: ({ phrase, side }) => `${phrase} ${side ?? ""}`.trim(), hazard: (hazard) => hazard };
