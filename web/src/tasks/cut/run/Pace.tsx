import type { RunNow } from '../../../shared/run/useRun';
import { Plain } from '../../../shared/ui/controls';

/** What could wait where it is late, and what was put off. */
export function Pace({ run }: { run: RunNow }) {
  const { view, say } = run;
  return (
    <div className="mt-3 border-t border-line pt-2">
      {view.could_leave.length > 0 && (
        <details className="pb-2">
          <summary className="min-h-12 cursor-pointer py-2 font-bold">What could wait</summary>
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
