import type { Scope } from "./scope.ts";

/** The first steps of an organisation, in their order. */
export const GUIDE_STEPS = ["venue", "group", "people", "plan"] as const;
export type GuideStep = (typeof GUIDE_STEPS)[number];

/** How far an organisation has come with its first steps. */
export interface Guide {
  readonly done: readonly GuideStep[];
  /** The first step that is not done; null where all are. */
  readonly next: GuideStep | null;
  /** Whether someone said that they need the guide no more. */
  readonly closed: boolean;
}

const TABLES: Readonly<Record<GuideStep, string>> = { venue: "places", group: "groups", people: "people", plan: "plans" };

/** What is there says how far the organisation has come, so that the guide can be left and gone on with at any time. */
export async function guideOf(scope: Scope): Promise<Guide> {
  const { database, organisationId } = scope;
  const exists = (step: GuideStep) =>
    database.raw(`exists (select from ${TABLES[step]} where organisation_id = ?) as ${step}`, [organisationId]);
  const found = await database("organisations")
    .where({ id: organisationId })
    .first<Record<GuideStep, boolean> & { guide_closed_at: Date | null }>(["guide_closed_at", ...GUIDE_STEPS.map(exists)]);
  return {
    done: GUIDE_STEPS.filter((step) => found[step]),
    next: GUIDE_STEPS.find((step) => !found[step]) ?? null,
    closed: found.guide_closed_at !== null,
  };
}

/** Shows the guide on Today no more. */
export const closeGuide = ({ database, organisationId, now }: Scope): Promise<unknown> =>
  database("organisations").where({ id: organisationId }).update({ guide_closed_at: now() });
