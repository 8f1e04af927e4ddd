import type { Schemas } from '../../shared/api/client';
import { MarginHead } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';

/** What to touch up, the least work first, ticked like steps; what is too short is only said. */
export function TouchUps({ report }: { report: Schemas['FinishReport'] }) {
  const work = useVisitWork();
  const done = work.evaluation.visit.touched_up ?? [];
  const { touch_ups: touchUps, too_short: tooShort } = report;
  const isNothing = touchUps.length + tooShort.length + done.length === 0;
  return (
    <>
      {!isNothing && <MarginHead>To touch up</MarginHead>}
      <p role="status" className={isNothing ? 'border-t border-line pt-3 text-soft' : 'text-soft'}>
        {report.sentence}
      </p>
      <ul>
        {touchUps.map((touch) => (
          <li key={touch.sentence} data-touch-up>
            <button
              type="button"
              className="flex min-h-16 w-full items-center gap-3 border-t border-line text-left"
              onClick={() =>
                work.say({
                  kind: 'touched_up',
                  zone: touch.zone,
                  what: touch.sentence,
                  result: touch.after,
                })
              }
            >
              <Tick isDone={false} />
              <span className="flex-1 text-lg leading-snug">{touch.sentence}</span>
              <span className="font-mono text-soft">
                {Math.max(1, Math.ceil(touch.minutes))} min
              </span>
            </button>
          </li>
        ))}
        {done.map((what, i) => (
          <li key={i} className="flex min-h-12 items-center gap-3 border-t border-line text-soft">
            <Tick isDone />
            <span>{what}</span>
          </li>
        ))}
      </ul>
      {tooShort.map((sentence) => (
        <p key={sentence} className="border-t border-line py-2">
          {sentence}
        </p>
      ))}
    </>
  );
}

function Tick({ isDone }: { isDone: boolean }) {
  return (
    <svg viewBox="0 0 40 40" className="size-10 shrink-0 text-chalk" aria-hidden="true">
      <circle
        cx="20"
        cy="20"
        r="16"
        fill="none"
        stroke="currentColor"
        strokeWidth="3"
        strokeDasharray={isDone ? undefined : '1 7'}
        strokeLinecap="round"
      />
      {isDone && <path d="M12 21l6 6 11-13" fill="none" stroke="currentColor" strokeWidth="3" />}
    </svg>
  );
}
