import type { ComponentProps } from "react";
import { Link } from "react-router";

const LOOKS = {
  main: "bg-tide-800 text-sand-50 hover:bg-tide-700 border-tide-800",
  plain: "bg-transparent text-tide-900 hover:bg-tide-100 border-tide-800",
  quiet: "bg-transparent text-tide-800 hover:bg-tide-100 border-transparent underline underline-offset-4 decoration-tide-300",
  /** Does what cannot be taken back. */
  danger: "bg-transparent text-signal-700 hover:bg-signal-100 border-signal-600",
  /** On a dark ground. */
  light: "bg-sand-50 text-tide-900 hover:bg-white border-sand-50",
} as const;
type Look = keyof typeof LOOKS;

const shape =
  "inline-flex min-h-11 items-center justify-center gap-2 rounded-full border-[1.5px] px-5 font-semibold no-underline transition-colors disabled:opacity-50";

export function Button({ look = "main", className = "", ...props }: ComponentProps<"button"> & { look?: Look }) {
  return <button type="submit" {...props} className={`${shape} ${LOOKS[look]} ${className}`} />;
}

export function ButtonLink({ look = "main", className = "", ...props }: ComponentProps<typeof Link> & { look?: Look }) {
  return <Link {...props} className={`${shape} ${LOOKS[look]} ${className}`} />;
}
