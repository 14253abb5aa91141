import { effectiveCaps } from "@able-tide/core/caps/effective";
import type { About } from "@able-tide/core/people/about";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { formatCautionsOf } from "@able-tide/words/limitations";
import { formatFacts } from "@able-tide/words/people";
import { type Scope, today } from "../scope.ts";
import { activeCaps } from "./caps.ts";
import { openLimitations } from "./limitations.ts";
import { listPeople } from "./people.ts";

/**
 * A person as a helper may know them: what to keep to and what to mind, and the facts that were agreed to be shared.
 * No diagnosis, no reason, no note is part of it, so none can reach the helper's browser.
 */
export interface HelpedPerson {
  readonly id: string;
  readonly name: string;
  readonly uses: string;
  readonly equipment: string;
  readonly mayTouch: About["mayTouch"];
  /** Limits of their own. */
  readonly limits: readonly string[];
  /** The standard caps that decide next to them. */
  readonly usual: readonly string[];
  readonly cautions: readonly string[];
  readonly facts: readonly { readonly label: string; readonly words: string }[];
  readonly groupIds: readonly string[];
}

/** Everyone as a helper may know them, by name. */
export async function listHelped(scope: Scope): Promise<HelpedPerson[]> {
  const people = await listPeople(scope);
  const [caps, limitations] = await Promise.all([
    activeCaps(
      scope,
      people.map(({ id }) => id),
      today(scope),
    ),
    openLimitations(scope),
  ]);
  const inWords = (id: string, usual: boolean): string[] => [
    ...new Set(
      effectiveCaps(caps.get(id) ?? []).flatMap(({ decides }) =>
        decides.usual === usual ? [formatCapLimit(decides.limit)] : [],
      ),
    ),
  ];
  return people.map(({ id, name, uses, about, groupIds }) => ({
    id,
    name,
    uses,
    equipment: about.equipment,
    mayTouch: about.mayTouch,
    limits: inWords(id, false),
    usual: inWords(id, true),
    cautions: [...new Set(limitations.filter(({ personId }) => personId === id).flatMap(formatCautionsOf))],
    facts: formatFacts(about),
    groupIds,
  }));
}
