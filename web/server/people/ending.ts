/** Columns of a row that can be ended, joined with the name of the account that ended it. */
export interface EndingRow {
  readonly ended_at: Date | null;
  readonly ended_by_name: string | null;
  readonly ended_because: string | null;
}

/** Who ended something, when (ISO, UTC) and why; null while it is not ended. */
export type Ending = { readonly by: string; readonly at: string; readonly because: string } | null;

/** Reads the ending of a cap or a limitation from its row. */
export const readEnding = ({ ended_at: at, ended_by_name: by, ended_because: because }: EndingRow): Ending =>
  at === null ? null : { by: by ?? "", at: at.toISOString(), because: because ?? "" };
