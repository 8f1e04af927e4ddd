import { useState } from 'react';
import type { Schemas } from '../../../shared/api/client';
import type { RunNow } from '../../../shared/run/useRun';
import { Plain } from '../../../shared/ui/controls';

type Zone = Schemas['Zone'];

/** What is to come, to be done in another order or in parts. */
export function StepsPanel({ run }: { run: RunNow }) {
  const { queue, view, say } = run;
  const [first, ...later] = queue;
  const [parted, setParted] = useState<number | null>(null);
  const zones = (step: number) => view.at.find((a) => a.step === step)?.zones ?? [];
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Steps to come</h2>
      <ol className="pb-3">
        {[...(first ? [first] : []), ...later].map((step, i) => (
          <li key={step.number} className="border-t border-line py-2" data-to-come={step.number}>
            <p className={i === 0 ? 'text-lg font-bold' : 'text-lg'}>{step.what}</p>
            <div className="flex gap-2 pt-1">
              {i > 0 && first && (
                <Plain
                  label={`Now: ${step.what}`}
                  onClick={() => say({ event: 'moved', step: step.number, before: first.number })}
                >
                  Now
                </Plain>
              )}
              {i > 1 && queue[i - 1] && (
                <Plain
                  label={`Earlier: ${step.what}`}
                  onClick={() =>
                    say({ event: 'moved', step: step.number, before: queue[i - 1]?.number ?? null })
                  }
                >
                  Earlier
                </Plain>
              )}
              {zones(step.number).length > 1 && (
                <Plain
                  label={`In parts: ${step.what}`}
                  pressed={parted === step.number}
                  onClick={() => setParted(parted === step.number ? null : step.number)}
                >
                  In parts
                </Plain>
              )}
            </div>
            {parted === step.number && (
              <Parts
                zones={zones(step.number)}
                onSplit={(leave) => {
                  say({ event: 'split', step: step.number, zones: leave });
                  setParted(null);
                }}
              />
            )}
          </li>
        ))}
      </ol>
    </>
  );
}

function Parts(props: { zones: Schemas['WorkZone'][]; onSplit: (zones: Zone[]) => void }) {
  const [later, setLater] = useState<Zone[]>([]);
  const isSplit = later.length > 0 && later.length < props.zones.length;
  return (
    <div className="pt-2">
      <p className="text-soft">Which come as a step of their own, right after?</p>
      <div className="flex flex-wrap gap-1.5 py-1" role="group" aria-label="Parts">
        {props.zones.map(({ zone, label }) => (
          <Plain
            key={zone}
            pressed={later.includes(zone)}
            onClick={() =>
              setLater(later.includes(zone) ? later.filter((z) => z !== zone) : [...later, zone])
            }
          >
            {label}
          </Plain>
        ))}
      </div>
      <Plain disabled={!isSplit} onClick={() => props.onSplit(later)}>
        Make two steps
      </Plain>
    </div>
  );
}
