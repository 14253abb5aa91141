// Entry of its own, run once by the build: works out what all organisations share of the library, and writes it to a file.
import { writeFileSync } from "node:fs";
import type { LibraryAhead } from "../../server/movements/library-ahead.ts";
import { fullestDemand } from "../../server/movements/movement-demand.ts";
import { SHIPPED } from "../../server/movements/shipped.ts";
import { contentHash } from "../../server/movements/summaries.ts";
import { figureKey, movementFigure } from "./movement-figure.server.tsx";

const [path = "library-ahead.json"] = process.argv.slice(2);
const ahead: LibraryAhead = {
  demands: Object.fromEntries(SHIPPED.map((movement) => [contentHash(movement), fullestDemand(movement)])),
  figures: Object.fromEntries(
    SHIPPED.flatMap((movement) => {
      const figure = movementFigure(movement);
      return figure === null ? [] : [[figureKey(movement), figure]];
    }),
  ),
};
writeFileSync(path, JSON.stringify(ahead));
