import type { NextFunction, Request, Response } from "express";

/** Bytes after which what was written is passed on although more is being written. */
const ENOUGH = 64 * 1024;

/**
 * Gathers the small pieces that a page or its data is written in: each piece passed on alone would be compressed and sent alone.
 * Pieces are passed on when there are enough of them, or when nothing more is written for now. Comes after compression.
 */
export function gatherWrites(_: Request, response: Response, next: NextFunction): void {
  const write = response.write.bind(response) as (piece: Buffer) => boolean;
  const end = response.end.bind(response) as (...last: unknown[]) => Response;
  const flush: () => void = "flush" in response ? (response.flush as () => void).bind(response) : () => undefined;
  let pieces: Buffer[] = [];
  let size = 0;
  let soon: NodeJS.Immediate | null = null;

  function pass(): void {
    if (soon !== null) clearImmediate(soon);
    soon = null;
    if (size === 0) return;
    const gathered = Buffer.concat(pieces, size);
    pieces = [];
    size = 0;
    write(gathered);
  }

  const gather = (piece: string | Uint8Array): boolean => {
    const bytes = typeof piece === "string" ? Buffer.from(piece) : Buffer.from(piece.buffer, piece.byteOffset, piece.byteLength);
    pieces.push(bytes);
    size += bytes.length;
    if (size >= ENOUGH) pass();
    else
      soon ??= setImmediate(() => {
        pass();
        flush();
      });
    // A page is in memory already, so no one has to wait; listeners for "drain" would stay, since compression moves them elsewhere.
    return true;
  };

  Object.assign(response, {
    write: gather,
    end: (...last: unknown[]) => {
      pass();
      return end(...last);
    },
    flush: () => undefined,
  });
  response.once("close", () => {
    if (soon !== null) clearImmediate(soon);
  });
  next();
}
