import * as v from "valibot";

const Id = v.pipe(v.string(), v.uuid());

/** Whether a piece of an address can be a row's id at all. */
export const isId = (id: string | undefined): id is string => v.is(Id, id);

/** Whether a text is an ISO calendar day that exists. */
export const isDay = (text: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(Date.parse(text)) && new Date(text).toISOString().startsWith(text);
