import type { Shelf, Shelved } from "./class-log.ts";

/** Who records at a device. */
export interface Recorder {
  readonly accountId: string;
  readonly name: string;
}

/** Part of the browser's storage that a shelf needs. */
type Cupboard = Pick<Storage, "getItem" | "setItem" | "removeItem" | "key" | "length">;

interface Stored extends Shelved {
  /** Name of the account, to tell someone else at the same device whose events wait. */
  readonly name: string;
}

const EMPTY: Shelved = { waiting: [], refused: [] };

const prefixOf = (classId: string): string => `able-tide.class.${classId}.`;

function stored(cupboard: Cupboard, key: string): Stored | null {
  try {
    return JSON.parse(cupboard.getItem(key) ?? "null");
  } catch {
    return null;
  }
}

/** What one account recorded in a class at this browser; no other account reads or sends it. */
export function classShelf(cupboard: Cupboard, classId: string, { accountId, name }: Recorder): Shelf {
  const key = prefixOf(classId) + accountId;
  return {
    read() {
      const { waiting, refused } = stored(cupboard, key) ?? EMPTY;
      return { waiting, refused };
    },
    write(shelved) {
      if (shelved.waiting.length + shelved.refused.length === 0) cupboard.removeItem(key);
      else cupboard.setItem(key, JSON.stringify({ ...shelved, name } satisfies Stored));
    },
  };
}

/** How many events of a class wait here for other accounts to sign in. */
export function othersWaiting(cupboard: Cupboard, classId: string, own: Recorder): { name: string; waiting: number }[] {
  const prefix = prefixOf(classId);
  const keys = Array.from({ length: cupboard.length }, (_, i) => cupboard.key(i) ?? "");
  return keys
    .filter((key) => key.startsWith(prefix) && key !== prefix + own.accountId)
    .flatMap((key) => {
      const found = stored(cupboard, key);
      return found && found.waiting.length > 0 ? [{ name: found.name, waiting: found.waiting.length }] : [];
    });
}
