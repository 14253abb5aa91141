import type { EmergencyCard } from "@able-tide/core/venues/venue";
import { EMERGENCY_SIGNS, EMERGENCY_STEPS } from "@able-tide/words/emergency-signs";
import { classButton } from "../kit/class-button.tsx";
import { Dialog, DialogClose, DialogFrame, DialogTitle, DialogTrigger } from "../kit/dialog.tsx";

interface Props {
  readonly open: boolean;
  readonly setOpen: (open: boolean) => void;
  /** The venue's own card. */
  readonly card: EmergencyCard | null;
  /** Where the focus goes afterwards. */
  readonly closed: (event: Event) => void;
}

const CARD_LINES = [
  ["phone", "Call"],
  ["address", "Our address"],
  ["defibrillator", "Defibrillator"],
  ["exit", "Nearest exit"],
  ["hoist", "Pool hoist"],
] as const;

function VenueCard({ card }: { card: EmergencyCard }) {
  const lines = CARD_LINES.filter(([name]) => card[name] !== "");
  if (lines.length === 0) return null;
  return (
    <dl className="mt-4 grid gap-x-6 rounded-[14px] border-2 border-signal-600 p-4 sm:grid-cols-[auto_1fr]">
      {lines.map(([name, label]) => (
        <div key={name} className="contents">
          <dt>{label}</dt>
          <dd className="font-bold">{card[name]}</dd>
        </div>
      ))}
    </dl>
  );
}

/** The stop, never more than one touch away, and what to do first. */
export function Stop({ open, setOpen, closed, card }: Props) {
  return (
    <Dialog open={open} onOpenChange={setOpen}>
      <DialogTrigger className="flex h-full min-h-24 w-36 max-lg:h-auto flex-col max-lg:min-h-16 max-lg:w-26 max-lg:flex-row items-center justify-center gap-1 rounded-[20px] border-[3px] border-signal-300 text-xl font-bold hover:bg-tide-800">
        <svg viewBox="0 0 40 40" className="size-12 max-lg:size-7" aria-hidden="true">
          <path d="M12 2 H28 L38 12 V28 L28 38 H12 L2 28 V12 Z" fill="var(--color-signal-300)" />
        </svg>
        Stop
      </DialogTrigger>
      <DialogFrame look="alert" width="full" closed={closed}>
        <div className="p-2 text-xl">
          <DialogTitle className="text-4xl text-signal-700">Stop the class. First:</DialogTitle>
          <ol className="mt-4 list-decimal pl-7 text-2xl leading-snug font-semibold">
            {EMERGENCY_STEPS.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ol>
          {card && <VenueCard card={card} />}
          <h3 className="mt-6 mb-1 text-2xl">Call for help at once if you see any of these</h3>
          <ul className="list-disc gap-x-10 pl-6 sm:columns-2">
            {EMERGENCY_SIGNS.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <p className="mt-4 text-lg">
            Common practice. Always follow the venue's emergency card and the emergency service first.
          </p>
          <DialogClose className={classButton("dark", "mt-5")}>Return to class</DialogClose>
        </div>
      </DialogFrame>
    </Dialog>
  );
}
