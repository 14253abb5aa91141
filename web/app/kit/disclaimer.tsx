/** What the product is and is not: at the foot of every page and sheet, and on the sign-in page. */
export function Disclaimer({ className = "" }: { className?: string }) {
  return (
    <p className={className}>
      Able Tide supports a qualified instructor. It is not medical advice and defers to the clinician, to the venue's rules and to
      local law.
    </p>
  );
}
