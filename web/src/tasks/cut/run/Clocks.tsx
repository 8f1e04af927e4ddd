import type { Schemas } from '../../../shared/api/client';
import { Plain } from '../../../shared/ui/controls';
import type { RunNow } from '../../../shared/run/useRun';

const MINUTE_MS = 60_000;

const SEEN_TO: { how: Schemas['Cooling']; label: string }[] = [
  { how: 'felt_cool', label: 'Felt: cool' },
  { how: 'cooled', label: 'Cooled' },
  { how: 'swapped', label: 'Swapped' },
  { how: 'oiled', label: 'Oiled' },
];

/** What warms and who tires: the blade in use, and a dog that needs its breaks. */
export function Clocks({ run }: { run: RunNow }) {
  const { view, nowMs, say } = run;
  const blade = view.feel_blade_ms;
  const rest = view.break_ms;
  const isBreakDue = rest != null && nowMs >= rest;
  return (
    <>
      {blade != null && (
        <Blade
          leftMs={blade - nowMs}
          wholeMs={blade - (view.run.blade_from_ms ?? nowMs)}
          warm={view.run.sheet.warm_blade ?? ''}
          onSeenTo={(how) => say({ event: 'blade_seen_to', how })}
        />
      )}
      {isBreakDue && (
        <p role="alert" className="mt-2 border-l-4 border-pin pl-2 text-lg font-bold">
          Time for a rest: {Math.round((nowMs - rest) / MINUTE_MS) > 0 && 'it is overdue, '}a few
          minutes off the legs.
        </p>
      )}
    </>
  );
}

function Blade(props: {
  leftMs: number;
  wholeMs: number;
  /** What this salon does with a warm one. */
  warm: string;
  onSeenTo: (how: Schemas['Cooling']) => void;
}) {
  const { leftMs, wholeMs } = props;
  const left = Math.max(0, Math.ceil(leftMs / 1000));
  const isDue = left === 0;
  return (
    <div className="mt-3">
      <p role={isDue ? 'alert' : undefined} className={isDue ? 'text-lg font-bold' : ''}>
        {isDue ? (
          `Feel the blade on your inner wrist. ${props.warm}`
        ) : (
          <>
            blade warm in{' '}
            <b className="font-mono">
              {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
            </b>
          </>
        )}
      </p>
      <div className="relative mt-1 h-5 border border-ink">
        <div
          className={`h-full ${isDue ? 'bg-pin' : 'bg-tape'}`}
          style={{ width: `${Math.min(100, Math.max(0, 100 * (1 - leftMs / wholeMs)))}%` }}
        />
      </div>
      <div className="mt-1 grid grid-cols-4 gap-1 text-sm">
        {SEEN_TO.map(({ how, label }) => (
          <button
            key={how}
            type="button"
            className={`min-h-12 border px-1 ${isDue ? 'border-2 border-ink font-bold' : 'border-line'}`}
            onClick={() => props.onSeenTo(how)}
          >
            {label}
          </button>
        ))}
      </div>
    </div>
  );
}

/** How the time stands, what could be left out, what was put off. */
export function Pace({ run }: { run: RunNow }) {
  const { view, say } = run;
  return (
    <div className="mt-3 border-t border-line pt-2">
      {view.could_leave.length > 0 && (
        <details className="pb-2">
          <summary className="min-h-12 cursor-pointer py-2 font-bold">
            What could be left out
          </summary>
          <ul>
            {view.could_leave.map((leave) => (
              <li key={leave.step} className="flex items-center gap-2 border-t border-line py-1">
                <span className="flex-1 text-sm">{leave.sentence}</span>
                <Plain
                  onClick={() =>
                    say({
                      event: 'put',
                      step: leave.step,
                      until: 'not_today',
                      reason: 'short of time',
                    })
                  }
                >
                  Leave out
                </Plain>
              </li>
            ))}
          </ul>
        </details>
      )}
      {view.put_off.length > 0 && (
        <>
          <h3 className="font-bold">Put off</h3>
          <ul>
            {view.put_off.map((off) => (
              <li key={off.step} className="flex items-center gap-2 py-1">
                <span className="flex-1">{off.words}</span>
                <Plain onClick={() => say({ event: 'reopened', step: off.step })}>Now</Plain>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
