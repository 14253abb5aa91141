import { classState } from "@able-tide/core/class/events";
import { classSteps } from "@able-tide/core/class/steps";
import { useMemo } from "react";
import { findClass, listEvents } from "../../server/classes/classes.ts";
import { ClassRoom } from "../class/class-room.tsx";
import { WhatHappened } from "../class/what-happened.tsx";
import { dayInWords } from "../days.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead, Shell } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.taught.script.groupName ?? "Class"} · Able Tide` },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const taught = isId(params.classId) ? await findClass(scope, params.classId) : null;
  if (!taught) throw notFound();
  return { taught, events: await listEvents(scope, taught.id), organisation: scope.organisationName, name: scope.accountName };
}

type Loaded = Route.ComponentProps["loaderData"];

function Ended({ taught, events, organisation, name }: Loaded) {
  const state = useMemo(() => classState(events), [events]);
  const steps = useMemo(() => classSteps(taught.script.blocks, taught.script.breathSeconds), [taught]);
  return (
    <Shell organisation={organisation} name={name}>
      <PageHead title={`${taught.script.groupName}, ${dayInWords(taught.day)}`} note="What happened">
        <ButtonLink look="plain" to={`/plans/${taught.planId}`}>
          The plan
        </ButtonLink>
      </PageHead>
      <WhatHappened script={taught.script} steps={steps} state={state} />
    </Shell>
  );
}

export default function ClassPage({ loaderData }: Route.ComponentProps) {
  const { taught, events } = loaderData;
  if (taught.endedAt !== null) return <Ended {...loaderData} />;
  return <ClassRoom key={taught.id} classId={taught.id} script={taught.script} kept={events} />;
}
