import type { ComponentProps } from "react";

const LOOKS = {
  /** The next thing to do. */
  main: "rounded-full bg-sand-50 px-10 text-2xl font-bold text-tide-950 hover:bg-white",
  /** The next thing to do on a light dialog. */
  dark: "rounded-full bg-tide-800 px-8 text-xl font-bold text-sand-50 hover:bg-tide-700 disabled:opacity-60",
  /** Another thing to do. */
  plain:
    "rounded-full border-2 border-tide-300 px-8 text-xl font-semibold hover:bg-tide-800 disabled:border-tide-600 disabled:text-tide-200",
  /** Of little weight. */
  quiet: "px-4 underline underline-offset-4",
} as const;

/** Classes of a button of the class screens: large enough for wet hands. */
export const classButton = (look: keyof typeof LOOKS, more = ""): string => `min-h-16 ${LOOKS[look]} ${more}`;

export function ClassButton({
  look = "plain",
  className = "",
  ...props
}: ComponentProps<"button"> & { readonly look?: keyof typeof LOOKS }) {
  return <button type="button" {...props} className={classButton(look, className)} />;
}
