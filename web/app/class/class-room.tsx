import type { CheckIn } from "@able-tide/core/caps/answers";
import type { Policy } from "@able-tide/core/caps/policy";
import { type ClassEvent, classState, signLabel } from "@able-tide/core/class/events";
import { fitsDue } from "@able-tide/core/class/refit";
import { classSteps, roundAt } from "@able-tide/core/class/steps";
import { variantWords } from "@able-tide/core/movement/variant-words";
import { formatMinutes } from "@able-tide/core/schedule/time";
import { otherSide } from "@able-tide/core/side";
import type { EmergencyCard } from "@able-tide/core/venues/venue";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link, useRevalidator } from "react-router";
import { KeysSheet, useKeys } from "../kit/keys-sheet.tsx";
import { Arrivals } from "./arrivals.tsx";
import type { KnownAtCheckIn } from "./check-in-sheet.tsx";
import { ClassRoster, type PersonNow } from "./class-roster.tsx";
import { ClassTransition } from "./class-transition.tsx";
import { Ending } from "./ending.tsx";
import { PersonSheet } from "./person-sheet.tsx";
import { Stage } from "./stage.tsx";
import { Stop } from "./stop.tsx";
import { useClassEvents } from "./use-class-events.ts";
import { useNow } from "./use-now.ts";
import { type RevisedScript, useLatestScript, useScript } from "./use-script.ts";

const KEYS = [
  ["space", "next"],
  ["backspace", "back"],
  ["1 to 9, 0", "Select a participant; during arrivals, mark as here"],
  ["l, o, m", "During arrivals, for the last participant marked: lighter today, not taking part, more"],
  ["r, w, c, p, d", "With a participant selected: rested, lost balance, caught, pain, dizzy"],
  ["s", "stop"],
  ["?", "show keyboard shortcuts"],
] as const;

const DIGITS = "1234567890";

/** What a class needs to know beside its script, so that it is there when the network is not. */
export interface Safety {
  readonly policy: Policy;
  /** The venue's own card; null where nobody has written it. */
  readonly card: EmergencyCard | null;
  /** Facts that people have agreed to share, by person. */
  readonly facts: Readonly<Record<string, readonly { readonly label: string; readonly words: string }[]>>;
  /** Whether who is signed in asks people how they are. */
  readonly asks: boolean;
  /** What each person's answers are read with; nothing for those who do not ask. */
  readonly known: Readonly<Record<string, KnownAtCheckIn>>;
}

interface Props {
  readonly classId: string;
  readonly planned: RevisedScript;
  readonly kept: readonly ClassEvent[];
  readonly safety: Safety;
}

const delayInWords = (seconds: number): string => {
  const minutes = Math.round(Math.abs(seconds) / 60);
  if (minutes === 0) return "on time";
  return `${minutes} min ${seconds > 0 ? "behind" : "ahead"}`;
};

/** Whether a key was pressed in a sheet that lies over the class. */
const inDialog = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && target.closest('[role="dialog"]') !== null;

/** The class as it is taught: arrivals, each step, the end. Everything shown is told from the events. */
export function ClassRoom({ classId, planned, kept, safety }: Props) {
  const { events, add, unsent, scriptRevision: latest } = useClassEvents(classId, kept);
  const state = useMemo(() => classState(events), [events]);
  const { script, scriptRevision, fitting, fitAgain, take } = useScript(classId, planned, state.step !== null);
  const due = useMemo(() => fitsDue(script.people, state), [script, state]);
  const missing = [...due, ...(latest > scriptRevision ? [latest] : [])].join(" ");
  useLatestScript(classId, unsent > 0 || fitting === "working" ? "" : missing, take);
  const steps = useMemo(() => classSteps(script.blocks), [script]);
  const now = useNow();
  const [pickedId, setPickedId] = useState<string | null>(null);
  const [stopping, setStopping] = useState(false);
  const room = useRef<HTMLElement>(null);
  // After a sheet is closed the space bar means "next" again, not the button that opened it.
  const backToRoom = (event: Event) => {
    event.preventDefault();
    room.current?.focus();
  };

  const at = state.step;
  const step = at === null ? undefined : steps[at];
  const block = step && script.blocks[step.blockIndex];
  const words = block && variantWords(block.movement, block.meant);
  const next = at === null ? undefined : steps[at + 1];
  const nextBlock = next && script.blocks[next.blockIndex];
  const ending = at !== null && at >= steps.length;

  const people: PersonNow[] = script.people.map(({ id, name, cells }, i) => ({
    id,
    name,
    digit: DIGITS[i] ?? "",
    cell: (step && cells[step.blockIndex]) ?? null,
    noted: state.notes.filter((note) => note.personId === id).map((note) => signLabel(note.sign)),
    sits: state.notes.some((note) => note.personId === id && note.sign === "dizzy"),
    due: due.has(id),
  }));
  const picked = people.find(({ id }) => id === pickedId) ?? null;

  // Once the server has the end, the page becomes the record of the class.
  const { revalidate } = useRevalidator();
  const over = state.ended !== null && unsent === 0;
  useEffect(() => {
    if (over) void revalidate();
  }, [over, revalidate]);

  const go = (to: number) => void add({ kind: "moved", step: Math.max(0, Math.min(steps.length, to)) });
  const tick = (personId: string, here: boolean) => void add({ kind: "attended", personId, here });
  // What somebody answers changes their forms: everybody is fitted again as soon as the server has it.
  const checkIn = (personId: string, answers: CheckIn, overriddenBecause: string | null) =>
    void fitAgain(add({ kind: "checkedIn", personId, answers, overriddenBecause }));
  const taken = useCallback(
    (personId: string) => void fitAgain(add({ kind: "attended", personId, here: true })),
    [add, fitAgain],
  );
  // Beginning waits for forms that are being worked out, so that nobody starts on those of another day.
  const [beginning, setBeginning] = useState(false);
  useEffect(() => {
    if (!beginning || fitting === "working") return;
    setBeginning(false);
    void add({ kind: "moved", step: 0 });
  }, [beginning, fitting, add]);

  useKeys((event) => {
    if (state.ended || picked || stopping || inDialog(event)) return;
    const person = people.find(({ digit }) => digit === event.key);
    if (person) {
      if (at === null) tick(person.id, !state.here.has(person.id));
      else if (!ending) setPickedId(person.id);
    } else if (event.key === " ") {
      // A button reached with the keyboard is pressed with the space bar, like anywhere else.
      if (event.target instanceof HTMLElement && event.target.matches("button:focus-visible, a:focus-visible")) return;
      event.preventDefault();
      if (at === null) setBeginning(true);
      else if (!ending) go(at + 1);
    } else if (event.key === "Backspace") {
      event.preventDefault();
      if (at !== null && at > 0) go(at - 1);
    } else if (event.key === "s") setStopping(true);
  });

  const sent = (
    <span role="status" className={unsent > 0 ? "font-semibold text-signal-300" : ""}>
      {unsent > 0 ? `${unsent} saved on this device, not sent yet` : "All saved"}
    </span>
  );
  const since = state.stepSince === null || now === null ? null : new Date(state.stepSince).getTime();
  const elapsed = now === null || state.begunAt === null ? 0 : (now - new Date(state.begunAt).getTime()) / 1000;
  const inStep = now === null || since === null ? 0 : (now - since) / 1000;
  const round = step ? roundAt(step, inStep) : 0;
  const stepLength = step ? step.lead + step.rounds * step.roundSeconds : 0;
  const behind = step ? elapsed - step.from - Math.min(inStep, stepLength) : 0;
  return (
    <main
      ref={room}
      tabIndex={-1}
      className="class-room outline-none flex min-h-screen flex-col bg-tide-950 text-lg text-sand-50 lg:h-screen"
    >
      <div className="h-2.5 bg-tide-800" aria-hidden="true">
        <div
          className="h-full bg-tide-300"
          style={{ width: `${Math.min(100, (100 * (step?.from ?? (ending ? script.total : 0))) / script.total)}%` }}
        />
      </div>
      <div className="flex items-center justify-between px-6 pt-2 text-tide-200">
        <Link to="/" className="flex min-h-11 items-center underline underline-offset-4">
          {script.groupName}
        </Link>
        <span className="flex items-center gap-4">
          {sent}
          <KeysSheet keys={KEYS} className="underline underline-offset-4" />
        </span>
      </div>
      {at === null && (
        <Arrivals
          classId={classId}
          people={people}
          here={state.here}
          checkIns={state.checkIns}
          policy={safety.policy}
          known={safety.known}
          asks={safety.asks}
          fitting={fitting}
          beginning={beginning}
          tick={tick}
          checkIn={checkIn}
          taken={taken}
          begin={() => setBeginning(true)}
        />
      )}
      {state.ended && (
        <p className="p-8 text-2xl">
          The class has ended. {unsent > 0 && "The record is saved on this device and will be sent when you are online."}
        </p>
      )}
      {ending && !state.ended && (
        <Ending
          classId={classId}
          end={(effort, note) => void add({ kind: "ended", effort, note })}
          back={() => go(steps.length - 1)}
        />
      )}
      {step && block && at !== null && !state.ended && (
        <div className="grid min-h-0 flex-1 gap-6 px-6 pb-5 lg:grid-cols-[minmax(0,1fr)_30rem]">
          <section className="flex min-h-0 flex-col">
            <p className="text-xl text-tide-200">
              <span className="capitalize">{block.movement.phase}</span> · {formatMinutes(elapsed)} of{" "}
              {formatMinutes(script.total)} · {delayInWords(behind)}. Lost your place? Wait {script.home}.
            </p>
            <h1 className="mt-1 text-5xl">{words?.name}</h1>
            <p className="mt-2 text-2xl text-sand-100">{words?.cues.do}</p>
            {round === 0 && <ClassTransition link={step.turn === 0 ? block.link : block.sideChange} />}
            <div className="grid min-h-0 flex-1 grid-cols-[9.5rem_minmax(0,1fr)]">
              <dl className="flex flex-col justify-center gap-6" aria-live="polite">
                {step.side && (
                  <div>
                    <dt className="text-xl text-tide-200">Side</dt>
                    <dd className="font-display text-4xl font-bold">{step.side}</dd>
                    {script.showing === "mirror" && <dd className="text-tide-200">your {otherSide(step.side)}</dd>}
                  </div>
                )}
                <div>
                  <dt className="text-xl text-tide-200">{round === 0 ? "Demonstration" : "Repetition"}</dt>
                  <dd className="font-display text-4xl font-bold">
                    {round === 0 ? formatMinutes(step.lead - inStep) : `${round} of ${step.rounds}`}
                  </dd>
                </div>
              </dl>
              <div className="flex min-h-72 flex-col">
                <Stage
                  key={at}
                  movement={block.movement}
                  side={step.side}
                  meant={block.meant}
                  roundSeconds={step.roundSeconds}
                  since={since}
                />
              </div>
            </div>
            <div className="mt-3 flex gap-4">
              <button
                type="button"
                disabled={at === 0}
                onClick={() => go(at - 1)}
                className="min-h-16 rounded-full border-2 border-tide-300 px-8 text-xl font-semibold hover:bg-tide-800 disabled:border-tide-600 disabled:text-tide-200"
              >
                Back
              </button>
              <button
                type="button"
                onClick={() => go(at + 1)}
                className="min-h-16 flex-1 rounded-full bg-sand-50 px-8 text-2xl font-bold text-tide-950 hover:bg-white"
              >
                {next ? "Next" : "Finish"}
              </button>
            </div>
          </section>
          <section className="flex min-h-0 flex-col gap-4" aria-label="Participants and next movement">
            <ClassRoster people={people.filter(({ id }) => state.here.has(id))} pick={setPickedId} />
            <div className="flex gap-4">
              <div className="flex-1 rounded-[20px] bg-tide-900 p-4">
                <p className="text-tide-200">Next{next ? `, in ${formatMinutes(stepLength - inStep)}` : ""}</p>
                <p className="font-display text-2xl font-bold">
                  {nextBlock
                    ? next.blockIndex === step.blockIndex
                      ? "Other side"
                      : variantWords(nextBlock.movement, nextBlock.meant).name
                    : "Leave safely"}
                  {next?.side && <span className="text-signal-300">, {next.side} side</span>}
                </p>
              </div>
              <Stop open={stopping} setOpen={setStopping} closed={backToRoom} card={safety.card} />
            </div>
          </section>
        </div>
      )}
      <PersonSheet
        person={picked}
        facts={(picked && safety.facts[picked.id]) ?? []}
        notes={state.notes.filter((note) => note.personId === pickedId)}
        note={(sign) => {
          if (picked && at !== null) void add({ kind: "noted", personId: picked.id, step: at, sign });
          setPickedId(null);
        }}
        withdraw={(noteId, because) => void add({ kind: "withdrawn", noteId, ...(because === "" ? {} : { because }) })}
        mayWithdrawGrave={safety.asks}
        leave={() => {
          if (picked) tick(picked.id, false);
          setPickedId(null);
        }}
        close={() => setPickedId(null)}
        closed={backToRoom}
      />
    </main>
  );
}
