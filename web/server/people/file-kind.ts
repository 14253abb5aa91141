/** Kinds of file that a clearance may carry, known by their first bytes and not by their name. */
const SIGNATURES = [
  { kind: "application/pdf", bytes: [0x25, 0x50, 0x44, 0x46, 0x2d] },
  { kind: "image/png", bytes: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a] },
  { kind: "image/jpeg", bytes: [0xff, 0xd8, 0xff] },
] as const;
export type FileKind = (typeof SIGNATURES)[number]["kind"];

/** The largest file that is kept, bytes. */
export const MAX_FILE_BYTES = 5 * 1024 * 1024;

/** What a file is by its content; null for anything but a PDF, a PNG or a JPEG. */
export const fileKind = (content: Uint8Array): FileKind | null =>
  SIGNATURES.find(({ bytes }) => bytes.every((byte, i) => content[i] === byte))?.kind ?? null;
