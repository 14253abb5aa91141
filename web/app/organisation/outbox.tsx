interface Letter {
  readonly id: string;
  readonly recipient: string;
  readonly subject: string;
  readonly body: string;
}

/** Letters that would have been sent. */
export function Outbox({ letters }: { letters: readonly Letter[] }) {
  if (letters.length === 0) return null;
  return (
    <details className="rounded-soft border border-sand-300 bg-white p-4">
      <summary className="flex min-h-11 items-center font-semibold">
        Outbox: {letters.length} messages (this installation does not send email)
      </summary>
      <ul className="flex flex-col gap-2">
        {letters.map((letter) => (
          <li key={letter.id}>
            <strong>{letter.subject}</strong> to {letter.recipient}. {letter.body}
          </li>
        ))}
      </ul>
    </details>
  );
}
