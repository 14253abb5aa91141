import type { CheckIn } from "@able-tide/core/caps/answers";
import type { Policy } from "@able-tide/core/caps/policy";
import { type ClassEvent, classState } from "@able-tide/core/class/events";
import { fitsDue } from "@able-tide/core/class/refit";
import type { EmergencyCard } from "@able-tide/core/venues/venue";
import { type ReactNode, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { Link, useRevalidator } from "react-router";
import { KeysSheet, useKeys } from "../kit/keys-sheet.tsx";
import { Arrivals } from "./arrivals.tsx";
import type { KnownAtCheckIn } from "./check-in-sheet.tsx";
import { ClassRoster } from "./class-roster.tsx";
import type { Recorder } from "./class-shelf.ts";
import { type ClassView, type CurrentMovement, classKey, classView } from "./class-view.ts";
import { Ending } from "./ending.tsx";
import { MovementNow } from "./movement-now.tsx";
import { NextMovement } from "./next-movement.tsx";
import { PersonSheet } from "./person-sheet.tsx";
import { SavedState } from "./saved-state.tsx";
import type { RevisedScript } from "./script-model.ts";
import { Stop } from "./stop.tsx";
import { useClassEvents } from "./use-class-events.ts";
import { useNow } from "./use-now.ts";
import { useLatestScript, useScript } from "./use-script.ts";
import { versionsNow } from "./versions-now.ts";

const KEYS = [
  ["space", "next"],
  ["backspace", "back"],
  ["1 to 9, 0", "Select a participant; during arrivals, mark as here"],
  ["l, o, m", "During arrivals, for the last participant marked: lighter today, not taking part, more"],
  ["r, w, h, c, p, d", "With a participant selected: rested, lost balance, needed a hand to stand up, caught, pain, dizzy"],
  ["s", "stop"],
  ["?", "Show keyboard shortcuts"],
] as const;

/** What a class needs in addition to its script, so that it is there when the network is not. */
export interface Safety {
  readonly policy: Policy;
  /** The venue's own card; null where no one has written it. */
  readonly card: EmergencyCard | null;
  /** Facts that people have agreed to share, by person. */
  readonly facts: Readonly<Record<string, readonly { readonly label: string; readonly words: string }[]>>;
  /** Whether the signed-in user records answers. */
  readonly asks: boolean;
  /** What each person's answers are read with; nothing for those who do not ask. */
  readonly known: Readonly<Record<string, KnownAtCheckIn>>;
}

interface Props {
  readonly classId: string;
  readonly planned: RevisedScript;
  readonly recorder: Recorder;
  readonly kept: readonly ClassEvent[];
  /** The server's time when the page was loaded, ISO instant. */
  readonly now: string;
  readonly safety: Safety;
}

/** Whether a key was pressed in a sheet that lies over the class. */
const inDialog = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && target.closest('[role="dialog"]') !== null;

/** Whether the space bar presses a button that was reached with the keyboard, like anywhere else. */
const onFocusedControl = ({ key, target }: KeyboardEvent): boolean =>
  key === " " && target instanceof HTMLElement && target.matches("button:focus-visible, a:focus-visible");

function ClassHead({ view, groupName, children }: { view: ClassView; groupName: string; children: ReactNode }) {
  return (
    <>
      <div className="h-2.5 bg-tide-800" aria-hidden="true">
        <div className="h-full bg-tide-300" style={{ width: `${100 * view.progress}%` }} />
      </div>
      <div className="flex items-center justify-between px-6 pt-2 text-tide-200">
        <Link to="/" className="flex min-h-11 items-center underline underline-offset-4">
          {groupName}
        </Link>
        <span className="flex items-center gap-4">
          {children}
          <KeysSheet keys={KEYS} className="underline underline-offset-4 max-sm:hidden" />
        </span>
      </div>
    </>
  );
}

/** A class with its events and its script, and the commands that views give. */
function useClass({ classId, planned, recorder, kept, now }: Omit<Props, "safety">) {
  const sheetShown = useRef(planned.scriptRevision);
  const log = useClassEvents({ classId, recorder, kept, now, sheetShown });
  const { events, add, unsent, offset, scriptRevision: latest } = log;
  const state = useMemo(() => classState(events), [events]);
  const { script, scriptRevision, fitting, fitAgain, take } = useScript(classId, planned, state.step !== null);
  useEffect(() => {
    sheetShown.current = scriptRevision;
  }, [scriptRevision]);
  const due = useMemo(() => fitsDue(script.people, state), [script, state]);
  const missing = [...due, ...(latest > scriptRevision ? [latest] : [])].join(" ");
  useLatestScript(classId, unsent > 0 || fitting === "working" ? "" : missing, take);
  const view = classView(script, state, due, useNow(offset));

  // Once the server has the end, the page becomes the record of the class.
  const { revalidate } = useRevalidator();
  const over = state.ended !== null && unsent === 0;
  useEffect(() => {
    if (over) void revalidate();
  }, [over, revalidate]);

  // Beginning waits for variants that are being computed, so that no one starts on those of another day.
  const [beginning, setBeginning] = useState(false);
  useEffect(() => {
    if (!beginning || fitting === "working") return;
    setBeginning(false);
    void add({ kind: "moved", step: 0 });
  }, [beginning, fitting, add]);

  const walkedIn = useCallback(
    (personId: string) => void fitAgain(add({ kind: "attended", personId, here: true })),
    [add, fitAgain],
  );
  return {
    state,
    script,
    view,
    log,
    fitting,
    beginning,
    walkedIn,
    begin: () => setBeginning(true),
    go: (step: number) => void add({ kind: "moved", step }),
    tick: (personId: string, here: boolean) => void add({ kind: "attended", personId, here }),
    // What someone answers changes their variants: everyone is fitted again as soon as the server has it.
    checkIn: (personId: string, answers: CheckIn, overriddenBecause: string | null) =>
      void fitAgain(add({ kind: "checkedIn", personId, answers, overriddenBecause })),
  };
}

/** The keys of a class. @param covered whether a sheet lies over the class */
function useClassKeys(
  taught: ReturnType<typeof useClass>,
  covered: boolean,
  { pick, stop }: { readonly pick: (personId: string) => void; readonly stop: () => void },
): void {
  useKeys((event) => {
    if (covered || inDialog(event) || onFocusedControl(event)) return;
    const command = classKey(event.key, taught.view);
    if (command === null) return;
    if (event.key === " " || event.key === "Backspace") event.preventDefault();
    switch (command.kind) {
      case "tick":
        // A digit never takes anyone away: it also chooses whom the next key is about. A touch on the name does.
        return taught.state.here.has(command.personId) ? undefined : taught.tick(command.personId, true);
      case "pick":
        return pick(command.personId);
      case "begin":
        return taught.begin();
      case "go":
        return taught.go(command.step);
      case "stop":
        return stop();
    }
  });
}

interface MovingProps {
  readonly taught: ReturnType<typeof useClass>;
  readonly current: CurrentMovement;
  readonly at: number;
  readonly pick: (personId: string) => void;
  readonly children: ReactNode;
}

/** A movement as it is taught, everyone's variants next to it, and what comes next. */
function Moving({ taught: { state, script, view, log, go }, current, at, pick, children }: MovingProps) {
  const here = view.people.filter(({ id }) => state.here.has(id));
  return (
    <div className="grid min-h-0 flex-1 gap-6 px-6 pb-5 max-lg:pb-28 lg:grid-cols-[minmax(0,1fr)_30rem]">
      <MovementNow
        view={view}
        current={current}
        at={at}
        total={script.total}
        home={script.home}
        since={view.since === null ? null : view.since - log.offset}
        go={go}
      />
      <section className="flex min-h-0 flex-col gap-4" aria-label="Participants and next movement">
        <ClassRoster
          people={here}
          versions={versionsNow(current.block, here)}
          movement={current.block.movement}
          side={current.side}
          pick={pick}
        />
        <div className="flex gap-4">
          <NextMovement {...current} />
          <div className="max-lg:fixed max-lg:right-6 max-lg:bottom-3 max-lg:z-20">{children}</div>
        </div>
      </section>
    </div>
  );
}

/**
 * The class as it is taught: arrivals, each step, the end. Everything shown follows from the events.
 *
 * Long because it hands the events of a class to the view of each stage.
 */
export function ClassRoom({ safety, ...props }: Props) {
  const { classId, recorder } = props;
  const taught = useClass(props);
  const { state, script, view, log, go, tick } = taught;
  const { add, unsent } = log;
  const { stage, at, current, people } = view;
  const [pickedId, setPickedId] = useState<string | null>(null);
  const [stopping, setStopping] = useState(false);
  const picked = people.find(({ id }) => id === pickedId) ?? null;
  const room = useRef<HTMLElement>(null);
  // After a sheet is closed the space bar means "next" again, not the button that opened it.
  const backToRoom = (event: Event) => {
    event.preventDefault();
    room.current?.focus();
  };

  useClassKeys(taught, picked !== null || stopping, { pick: setPickedId, stop: () => setStopping(true) });

  return (
    <main
      ref={room}
      tabIndex={-1}
      className="class-room outline-none flex min-h-screen flex-col bg-tide-950 text-lg text-sand-50 lg:h-screen"
    >
      <ClassHead view={view} groupName={script.groupName}>
        <SavedState classId={classId} recorder={recorder} log={log} />
      </ClassHead>
      {at === null && (
        <Arrivals
          classId={classId}
          inWater={view.endsInWater}
          people={people}
          here={state.here}
          checkIns={state.checkIns}
          policy={safety.policy}
          known={safety.known}
          asks={safety.asks}
          fitting={taught.fitting}
          beginning={taught.beginning}
          tick={tick}
          checkIn={taught.checkIn}
          taken={taught.walkedIn}
          begin={taught.begin}
        />
      )}
      {stage === "ended" && (
        <p className="p-8 text-2xl">
          The class has ended. {unsent > 0 && "The record is saved on this device and will be sent when you are online."}
        </p>
      )}
      {stage === "ending" && !safety.asks && <p className="p-8 text-2xl">The instructor ends the class.</p>}
      {stage === "ending" && safety.asks && (
        <Ending
          classId={classId}
          inWater={view.endsInWater}
          end={(effort, note) => void add({ kind: "ended", effort, note })}
          back={() => go(view.lastStep - 1)}
        />
      )}
      {current && at !== null && stage === "moving" && (
        <Moving taught={taught} current={current} at={at} pick={setPickedId}>
          <Stop open={stopping} setOpen={setStopping} closed={backToRoom} card={safety.card} />
        </Moving>
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
