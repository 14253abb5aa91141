import { effectiveCaps } from "@able-tide/core/caps/effective";
import { outOfWater } from "@able-tide/core/leading/in-water";
import { taughtName } from "@able-tide/core/movement/format";
import { performedBy } from "@able-tide/core/schedule/performed-item";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { count, sentenceCase } from "@able-tide/words/text";
import { formatOwnChange } from "@able-tide/words/versions";
import { dequal } from "dequal";
import { findFittedPlan } from "../../server/plans/fitted-plan.ts";
import { isId } from "../ids.ts";
import { readChosenVariant } from "../kit/chosen-variant.ts";
import { FigureStrip } from "../kit/moving-figure.tsx";
import { stripOf } from "../kit/strip.ts";
import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";
import { isLargeType, SheetPage } from "../plans/sheet-page.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-card";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.name ?? "A person"}, card · Able Tide` }];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const fitted = isId(params.planId) && isId(params.personId) ? await findFittedPlan(scope, params.planId) : null;
  const found = fitted?.people.find(({ person }) => person.id === params.personId);
  if (!fitted || !found) throw notFound();
  const { plan, group, reading, sheet } = fitted;
  const { person, fit, caps, cells } = found;
  const own = [...new Set(effectiveCaps(caps).map(({ decides }) => decides))].filter(({ usual }) => !usual);
  return {
    planId: plan.id,
    day: plan.day,
    group: group.name,
    name: person.name,
    body: { stature: person.stature, measured: person.measured },
    depth: fit.depth ?? null,
    outOfWater: outOfWater(sheet.items).includes(person.id),
    large: isLargeType(request),
    // A card may lie about: it says what, and no reason why.
    limits: own.map(({ limit }) => formatCapLimit(limit)),
    blocks: reading.blocks.flatMap((item, i) => {
      const cell = cells[i];
      // A part of a combination comes back in every pass: it is on the card once for each way it is done.
      const again = reading.blocks.findIndex(
        (before, at) =>
          before.part !== null &&
          before.part.item.id === item.part?.item.id &&
          before.movement.id === item.movement.id &&
          dequal(cells[at]?.choice, cell?.choice),
      );
      if (!cell || (again >= 0 && again < i)) return [];
      const { form, level, hold, lighterSide, brief, care, choice, rounds, holdSeconds = null } = cell;
      const sides = item.turns.map(({ lead }) => (item.movement.sided ? lead : null)).filter((lead) => lead !== null);
      const before = formatOwnChange(sheet.items[i]?.change ?? null, person.id);
      const own = { before, sides, form, level, hold, lighterSide, brief, care, choice, rounds, holdSeconds };
      return [{ id: item.id, ...performedBy(item, cell.holdSeconds), ...own }];
    }),
  };
}

type CardBlock = Route.ComponentProps["loaderData"]["blocks"][number];

function CardRow({
  block,
  body,
  depth,
  large,
}: {
  block: CardBlock;
  body: Parameters<typeof readChosenVariant>[2];
  depth: number | null;
  large: boolean;
}) {
  const { movement, choice, cycleSeconds } = block;
  const form = choice && readChosenVariant(movement, choice, body, cycleSeconds, depth ?? undefined);
  return (
    <li className="flex break-inside-avoid items-center gap-[0.5em] border-t border-sand-300">
      <VariantSymbol
        form={block.form}
        level={block.level}
        hold={block.hold}
        lighterSide={block.lighterSide}
        size={large ? 40 : 30}
      />
      <div className="min-w-0 flex-1">
        <h2 className="inline text-[1.05em]">{taughtName(movement)}</h2>
        {block.before && <strong> · {block.before}</strong>}
        <p>
          {block.brief ? sentenceCase(block.brief) : `Whole, ${describeVariant(block).split(",")[0]}`}
          {choice &&
            ` · ${block.holdSeconds ? `hold ${block.holdSeconds} s, ` : ""}${count(block.rounds, "time", "times")}${block.sides.length > 1 ? " each side" : ""}${movement.reversal === "halves" ? ", half of them the other way" : ""}`}
        </p>
        {block.care && <p>{block.care}</p>}
      </div>
      {form && (
        <FigureStrip
          strip={stripOf(form.samples)}
          fineness={large ? "medium" : "small"}
          className={`shrink-0 ${large ? "h-[2.5em] w-[8em]" : "h-[3.2em] w-[10em]"}`}
        />
      )}
    </li>
  );
}

/** Told instead of fifteen rests. */
const STAYS_OUT =
  "You do not go into the water in this session. Ask the instructor what you can do at the poolside, or in another group.";

/** One person's own card: what they do in each movement, in figures and plain words, and their limits. */
export default function PlanCard({ loaderData }: Route.ComponentProps) {
  const { planId, day, group, name, body, depth, outOfWater: ashore, large, limits, blocks } = loaderData;
  return (
    <SheetPage planId={planId} title={`${name}: ${group}`} day={day} large={large}>
      {limits.length > 0 && (
        <section className="mb-[0.3em] rounded-soft border-2 border-tide-800 px-[0.6em] py-[0.2em]">
          <h2 className="inline text-[1.05em]">Remember each time</h2>
          <ul className="inline">
            {limits.map((limit) => (
              <li key={limit} className="inline before:content-['_·_']">
                {limit}
              </li>
            ))}
          </ul>
        </section>
      )}
      {ashore ? (
        <p className="my-[0.5em]">{STAYS_OUT}</p>
      ) : (
        <ol>
          {blocks.map((block) => (
            <CardRow key={block.id} block={block} body={body} depth={depth} large={large} />
          ))}
        </ol>
      )}
      <p className="mt-[0.3em] font-semibold">Stop and sit if anything hurts, if you are short of breath or dizzy, and say so.</p>
    </SheetPage>
  );
}
