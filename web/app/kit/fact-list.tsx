/** Facts in bold and words, a line each. */
export function FactList({
  facts,
  look = "",
}: {
  readonly facts: readonly { readonly label: string; readonly words: string }[];
  readonly look?: string;
}) {
  return (
    <dl className={look}>
      {facts.map(({ label, words }) => (
        <div key={label}>
          <dt className="inline font-bold">{label}: </dt>
          <dd className="inline">{words}</dd>
        </div>
      ))}
    </dl>
  );
}
