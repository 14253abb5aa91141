import { formatFieldIssue, LANGUAGE } from "@able-tide/words/field-problem";
import { parseWithValibot } from "@conform-to/valibot";
import { configureCoercion } from "@conform-to/valibot/future";
import { type GenericSchema, setGlobalMessage } from "valibot";

// Schemas of the core have no sentences: these are asked for where a form is read.
setGlobalMessage(formatFieldIssue, LANGUAGE);

const WITH_COMMA = /^([-+]?\d+),(\d{1,2}|\d{4,})$/;

/**
 * Parses a number as it is typed: with a decimal point or a decimal comma.
 *
 * @returns NaN for what is no number; also for "1,250", which is one and a quarter to some and over a thousand to others
 */
export const parseNumber = (text: string): number => Number(text.trim().replace(WITH_COMMA, "$1.$2"));

const { coerceFormValue } = configureCoercion({ type: { number: parseNumber } });

/** Reads the fields of a form by a schema, in the browser as on the server. */
export const parseForm = <Schema extends GenericSchema>(
  formData: FormData | URLSearchParams,
  { schema }: { readonly schema: Schema },
) => parseWithValibot(formData, { schema: coerceFormValue(schema), disableAutoCoercion: true, info: { lang: LANGUAGE } });
