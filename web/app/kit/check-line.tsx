/** One thing that is so or not: a box to tick with its words. */
export function CheckLine({ label, checked, change }: { label: string; checked: boolean; change: (checked: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 accent-tide-700"
        checked={checked}
        onChange={({ currentTarget }) => change(currentTarget.checked)}
      />
      {label}
    </label>
  );
}
