/** A link that its reader hands over. */
export function LinkToGive({ note, link }: { note: string; link: string }) {
  return (
    <div role="status" className="mt-3 rounded-soft border-2 border-tide-700 p-3">
      <p className="font-semibold">Give them this link. {note}</p>
      <p className="break-all select-all">{link}</p>
    </div>
  );
}
