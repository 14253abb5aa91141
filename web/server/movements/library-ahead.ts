import { readFile } from "node:fs/promises";
import type { FullestDemand } from "./fullest-demand.ts";

/** What the build works out once for the movements of the library, so that no one waits for them after a start. */
export interface LibraryAhead {
  /** Demands of the fullest variants on land, by the content of the movement. */
  readonly demands: Readonly<Record<string, FullestDemand | null>>;
  /** Texts of picture files, by what they show and how figures are drawn. */
  readonly figures: Readonly<Record<string, string>>;
}

let known: LibraryAhead = { demands: {}, figures: {} };

/** Takes over what the build of this server has worked out. @throws where the build has left nothing */
export async function readLibraryAhead(path: string): Promise<void> {
  known = JSON.parse(await readFile(path, "utf8"));
}

/** The demand that was worked out ahead; undefined where it was not. */
export const demandAhead = (content: string): FullestDemand | null | undefined => known.demands[content];

/** The picture that was drawn ahead; undefined where it was not. */
export const figureAhead = (key: string): string | undefined => known.figures[key];
