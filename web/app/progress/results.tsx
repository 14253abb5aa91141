import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import type { Side } from "@able-tide/core/side";
import type { ComponentProps } from "react";
import { formatDay } from "../days.ts";
import { WeeksChart } from "./progress-chart.tsx";

interface Result {
  readonly id: string;
  readonly day: string;
  readonly side: Side;
  readonly value: number;
  readonly trials: readonly number[];
  readonly note: string;
}

/** Every result, the latest first. */
function AllResults({ results }: { results: readonly Result[] }) {
  return (
    <details className="mt-2">
      <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">
        All results ({results.length})
      </summary>
      <table className="mt-1 border-collapse text-left">
        <thead>
          <tr>
            {["Day", "Leg", "Best", "Trials", "Note"].map((head) => (
              <th key={head} scope="col" className="py-1 pr-8">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {results.toReversed().map((result) => (
            <tr key={result.id} className="border-t border-sand-200">
              <td className="py-1 pr-8">{formatDay(result.day)}</td>
              <td className="pr-8">{result.side}</td>
              <td className="pr-8 font-bold">{result.value} s</td>
              <td className="pr-8">{result.trials.join(", ")}</td>
              <td>{result.note}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

interface Props {
  readonly name: string;
  readonly results: readonly Result[];
  readonly chart: ComponentProps<typeof WeeksChart>["data"];
}

/** The one-leg stand test week by week: the chart with what its lines mean, and the results as a table. */
export function Results({ name, results, chart }: Props) {
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
      <AllResults results={results} />
    </section>
  );
}
