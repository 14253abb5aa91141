import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import type { Side } from "@able-tide/core/side";
import type { ComponentProps } from "react";
import { formatDay } from "../days.ts";
import type { FormAnswer } from "../kit/form-answer.ts";
import { Withdraw } from "../kit/withdraw.tsx";
import { WeeksChart } from "./progress-chart.tsx";

interface Result {
  readonly id: string;
  readonly day: string;
  readonly side: Side;
  readonly value: number;
  readonly trials: readonly number[];
  readonly note: string;
  readonly recordedBy: string;
  readonly withdrawn: { readonly by: string; readonly because: string } | null;
}

/** Every result, the latest first. */
function AllResults({ results, answer }: { results: readonly Result[]; answer: FormAnswer | null }) {
  return (
    <details className="mt-2">
      <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">
        All results ({results.length})
      </summary>
      <table className="mt-1 border-collapse text-left">
        <thead>
          <tr>
            {["Day", "Leg", "Best", "Trials", "Note", "By", "Withdrawn"].map((head) => (
              <th key={head} scope="col" className="py-1 pr-8">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {results.toReversed().map((result) => (
            <tr key={result.id} className={`border-t border-sand-200 align-top ${result.withdrawn ? "text-sand-600" : ""}`}>
              <td className="py-1 pr-8">{formatDay(result.day)}</td>
              <td className="pr-8">{result.side}</td>
              <td className={`pr-8 ${result.withdrawn ? "line-through" : "font-bold"}`}>{result.value} s</td>
              <td className="pr-8">{result.trials.join(", ")}</td>
              <td className="pr-8">{result.note}</td>
              <td className="pr-8">{result.recordedBy}</td>
              <td>
                {result.withdrawn ? (
                  `by ${result.withdrawn.by}: ${result.withdrawn.because}`
                ) : (
                  <Withdraw
                    hidden={{ resultId: result.id }}
                    form={result.id}
                    answer={answer}
                    title="Withdraw"
                    of={`${result.side}, ${formatDay(result.day)}`}
                    intent="withdraw"
                    button="Withdraw this result"
                    help="It stays on record and counts no more. To correct it, record the right one."
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

interface Props {
  readonly name: string;
  /** Every result, those that were withdrawn too. */
  readonly results: readonly Result[];
  readonly answer: FormAnswer | null;
  readonly chart: ComponentProps<typeof WeeksChart>["data"];
}

/** The one-leg stand test week by week: the chart with what its lines mean, and the results as a table. */
export function Results({ name, results: all, answer, chart }: Props) {
  const results = all.filter(({ withdrawn }) => withdrawn === null);
  return (
    <section className="min-w-0 overflow-x-auto rounded-soft border border-sand-300 bg-white p-5" aria-label="Chart of the weeks">
      <WeeksChart
        data={chart}
        label={`One-leg stand of ${name}: ${results.length === 0 ? "No result yet" : results.map((result) => `${result.side} ${result.value} s on ${formatDay(result.day)}`).join("; ")}`}
      />
      <p className="mt-2 text-sand-600">
        {chart.norm === null
          ? "No norm for this age; compare with their own results."
          : `Mean for the age: ${ONE_LEG_STAND.normSource}.`}{" "}
        Under {ONE_LEG_STAND.lowThreshold} s: {ONE_LEG_STAND.thresholdSource}, a risk of injurious falls. The first result is
        practice. Orange bar: cap active after its review date.
      </p>
      <AllResults results={all} answer={answer} />
    </section>
  );
}
