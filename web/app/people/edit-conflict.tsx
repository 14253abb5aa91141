import type { Difference } from "./differences.ts";

/** Shown to the second of two people who change the same record at once. Their entries stay in the form. */
export interface EditConflictInfo {
  readonly by: string;
  readonly version: number;
  readonly differences: readonly Difference[];
}

export function EditConflict({ news }: { news: EditConflictInfo }) {
  return (
    <div role="alert" className="mb-4 rounded-soft border-[1.5px] border-signal-600 bg-signal-100/50 p-4">
      <p className="text-lg font-semibold">{news.by} changed this while you were editing. Your entries are kept.</p>
      {news.differences.length === 0 ? (
        <p>Their version is now the same as yours.</p>
      ) : (
        <table className="mt-2 border-collapse text-left">
          <thead>
            <tr>
              {["", "Their version", "Your version"].map((head) => (
                <th key={head} scope="col" className="py-1 pr-8">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {news.differences.map(({ label, theirs, yours }) => (
              <tr key={label} className="border-t border-sand-300">
                <th scope="row" className="py-1 pr-8 font-normal">
                  {label}
                </th>
                <td className="pr-8 font-bold">{theirs}</td>
                <td>{yours}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-2">Save again to keep your version, or copy what you need from theirs first.</p>
    </div>
  );
}
