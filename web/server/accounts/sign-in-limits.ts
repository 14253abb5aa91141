import { createHash } from "node:crypto";
import type { Knex } from "knex";
import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";

/** Seconds in which a number of tries may come at once. */
const WINDOW = 15 * 60;

/** Tries that may come at once in a window, and the seconds after each of which one more may come. */
const ALLOWANCES = {
  /** One account from one network address, on a device that it has not signed in with before. */
  pair: { atOnce: 5, every: 30 },
  /** All accounts from one network address, which a whole hall may share. */
  address: { atOnce: 30, every: 5 },
  /** One account from all addresses together, on devices that it has not signed in with before. */
  account: { atOnce: 200, every: 30 },
  /** One account on a device that it has signed in with. */
  device: { atOnce: 5, every: 2 },
} as const;
type Kind = keyof typeof ALLOWANCES;

/** Who tries: a kind of limit, and whom it is about. */
export type Tried = readonly [kind: Kind, who: string];

interface Limiters {
  readonly steady: RateLimiterPostgres;
  readonly atOnce: RateLimiterPostgres;
}

function limiters(database: Knex, kind: Kind): Limiters {
  const { atOnce, every } = ALLOWANCES[kind];
  const shared = { storeClient: database, storeType: "knex", tableName: "sign_in_tries", tableCreated: true };
  return {
    steady: new RateLimiterPostgres({ ...shared, keyPrefix: `${kind}-steady`, points: 1, duration: every }),
    atOnce: new RateLimiterPostgres({ ...shared, keyPrefix: `${kind}-at-once`, points: atOnce, duration: WINDOW }),
  };
}

/** A try that was counted. */
interface Counted {
  /** Seconds until the next try is allowed; 0 where this one is. */
  readonly wait: number;
  /** Takes the count back: it was no wrong try. */
  readonly forgive: () => Promise<unknown>;
}

const nothing = async (): Promise<void> => undefined;

/** Counts one try with a limiter. @returns the milliseconds to wait, 0 where it is allowed */
async function consume(limiter: RateLimiterPostgres, key: string): Promise<number> {
  try {
    await limiter.consume(key);
    return 0;
  } catch (rejection) {
    if (rejection instanceof RateLimiterRes) return rejection.msBeforeNext;
    throw rejection;
  }
}

/** Limits on tries to sign in. */
export interface SignInLimits {
  /**
   * Counts a try before it is made, by each of the limits in turn up to the first that does not allow it: a try that one limit
   * stops uses up no other, so that no one can use up what is left to others. Names and addresses are kept as hashes only.
   */
  readonly count: (tried: readonly Tried[]) => Promise<Counted>;
}

function createSignInLimits(database: Knex): SignInLimits {
  const made = new Map<Kind, Limiters>();

  async function countOne([kind, who]: Tried): Promise<Counted> {
    const known = made.get(kind) ?? limiters(database, kind);
    made.set(kind, known);
    const key = createHash("sha256").update(who).digest("base64url");
    const next = await consume(known.steady, key);
    if (next === 0) return { wait: 0, forgive: () => known.steady.delete(key) };
    if ((await consume(known.atOnce, key)) === 0) return { wait: 0, forgive: () => known.atOnce.reward(key) };
    return { wait: Math.ceil(next / 1000), forgive: nothing };
  }

  return {
    async count(tried) {
      const counted: Counted[] = [];
      for (const each of tried) {
        const one = await countOne(each);
        if (one.wait > 0) return one;
        counted.push(one);
      }
      return { wait: 0, forgive: () => Promise.all(counted.map(({ forgive }) => forgive())) };
    },
  };
}

const known = new WeakMap<Knex, SignInLimits>();

/** The limits of a database. */
export function signInLimitsOf(database: Knex): SignInLimits {
  const limits = known.get(database) ?? createSignInLimits(database);
  known.set(database, limits);
  return limits;
}
