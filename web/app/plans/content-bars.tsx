import type { SessionPurpose } from "@able-tide/core/plan/purpose";
import { type ContentReading, PURPOSE_SHARE } from "@able-tide/core/planner/content";
import { contentLabel } from "@able-tide/words/plan";
import { formatMinutes } from "@able-tide/words/text";
import { memo } from "react";

interface Props {
  readonly contents: readonly ContentReading[];
  readonly purpose: SessionPurpose | null;
}

/**
 * What the session trains, measured from what its variants ask: a bar each, with the share that its purpose should
 * have.
 */
export const ContentBars = memo(function ContentBars({ contents, purpose }: Props) {
  return (
    <section aria-labelledby="content-head" className="mt-5">
      <h2 id="content-head" className="mb-2 text-xl">
        What this session trains
      </h2>
      <dl className="grid gap-x-8 gap-y-1.5 md:grid-cols-2">
        {contents.map(({ content, seconds, share, missing, overdone }) => (
          <div key={content} className="grid grid-cols-[11rem_1fr_7.5rem] items-center gap-x-3">
            <dt className={content === purpose ? "font-bold" : ""}>{contentLabel(content)}</dt>
            <dd className="relative h-3 rounded-full bg-sand-200" aria-hidden="true">
              <span
                className={`absolute inset-y-0 left-0 rounded-full ${overdone ? "bg-signal-600" : "bg-tide-600"}`}
                style={{ width: `${100 * Math.min(1, share)}%` }}
              />
              {content === purpose && (
                <span className="absolute -inset-y-1 w-[3px] bg-tide-950" style={{ left: `${100 * PURPOSE_SHARE}%` }} />
              )}
            </dd>
            <dd>
              <strong>{formatMinutes(seconds)}</strong>
              {missing >= 10 && <span className="text-sand-600">, {Math.round(missing)} s below target</span>}
              {overdone && <span className="text-signal-700">, above target</span>}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
});
