import { Transform, type TransformCallback } from "node:stream";

/** Bytes after which a page is passed on although more of it is being written. */
const ENOUGH = 64 * 1024;

/**
 * Gathers small pieces of a page into few: a page is written piece by piece, and each piece that is passed on alone is compressed
 * and sent alone. Pieces are passed on when there are enough of them, or when nothing more is written for now.
 */
export function gather(): Transform {
  let pieces: Buffer[] = [];
  let size = 0;
  let soon: NodeJS.Immediate | null = null;

  function pass(into: Transform): void {
    if (soon !== null) clearImmediate(soon);
    soon = null;
    if (size === 0) return;
    into.push(Buffer.concat(pieces, size));
    pieces = [];
    size = 0;
  }

  return new Transform({
    transform(piece: Buffer, _, done: TransformCallback) {
      pieces.push(piece);
      size += piece.length;
      if (size >= ENOUGH) pass(this);
      else soon ??= setImmediate(() => pass(this));
      done();
    },
    flush(done) {
      pass(this);
      done();
    },
    destroy(error, done) {
      if (soon !== null) clearImmediate(soon);
      done(error);
    },
  });
}
