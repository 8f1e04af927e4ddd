import type { RunNow } from '../../../shared/run/useRun';
import { Disclosed } from '../../../shared/ui/Disclosed';
import { Plain } from '../../../shared/ui/controls';

/** What could wait where it is late, and what was put off. */
export function Pace({ run }: { run: RunNow }) {
  const { view, say } = run;
  return (
    <div className="mt-3 border-t border-line pt-2">
      {view.could_leave.length > 0 && (
        <Disclosed says="What could wait">
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
        </Disclosed>
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
