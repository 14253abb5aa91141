import * as v from "valibot";

const Id = v.pipe(v.string(), v.uuid());

/** Whether a piece of an address can be a row's id at all. */
export const isId = (id: string | undefined): id is string => v.is(Id, id);
