import type { Schemas } from '../../../shared/api/client';
import type { RunNow } from '../../../shared/run/useRun';
import { capital } from '../../../shared/units/capital';

/** The regions of a step, each touched where the comb stops; untouched it passes once the step is done. */
export function CombTest(props: { run: RunNow; regions: Schemas['RegionTried'][] }) {
  const { combed, say } = props.run;
  return (
    <div className="pt-2">
      <p className="pb-1 text-lg">Touch where it stops.</p>
      <div className="grid grid-cols-3 pl-px" role="group" aria-label="Where the comb stops">
        {props.regions.map(({ region, label }) => {
          const stops = combed[region] === false;
          return (
            <button
              key={region}
              type="button"
              aria-pressed={stops}
              className="-mt-px -ml-px min-h-16 border border-ink px-1 text-lg leading-tight aria-pressed:bg-pin aria-pressed:font-bold aria-pressed:text-on-pin"
              onClick={() => say({ event: 'comb_tried', region, passes: stops })}
            >
              {capital(label)}
              {stops && <span className="block text-base">stops</span>}
            </button>
          );
        })}
      </div>
    </div>
  );
}
