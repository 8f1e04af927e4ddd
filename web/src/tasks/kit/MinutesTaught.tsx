import type { Schemas } from '../../shared/api/client';
import type { House } from '../../shared/api/salon';
import { MarginHead, Plain } from '../../shared/ui/controls';

/** How long each kind of work really takes here, and whether sheets go by it. */
export function MinutesTaught(props: {
  house: House;
  log: Schemas['SalonLog'];
  onHouse: (next: House) => void;
}) {
  const { house, log } = props;
  const inUse = house.minute_factors;
  return (
    <section aria-label="What the log taught">
      <MarginHead>Our minutes against the table</MarginHead>
      {log.minutes.length === 0 && (
        <p className="text-sm text-soft">
          No groom was run at the table yet. Each one teaches how long things take here.
        </p>
      )}
      <ul>
        {log.minutes.map(({ topic, label, factor }) => {
          const used = inUse[topic];
          const next = Math.round(factor.value * 100) / 100;
          return (
            <li key={topic} className="border-t border-line py-1" data-topic={topic}>
              <p>
                {label}:{' '}
                <b className="font-mono">
                  {factor.value.toFixed(2)} ±{factor.doubt.toFixed(2)}
                </b>{' '}
                <span className="text-sm text-soft">
                  from {factor.readings} {factor.readings === 1 ? 'step' : 'steps'}
                  {used !== undefined && `, sheets use ${used.toFixed(2)}`}
                </span>
              </p>
              <div className="flex gap-2 pt-1">
                {used !== next && (
                  <Plain
                    label={`${label}: use it on sheets`}
                    onClick={() =>
                      props.onHouse({ ...house, minute_factors: { ...inUse, [topic]: next } })
                    }
                  >
                    Use it
                  </Plain>
                )}
                {used !== undefined && (
                  <Plain
                    label={`${label}: back to the table`}
                    onClick={() =>
                      props.onHouse({
                        ...house,
                        minute_factors: Object.fromEntries(
                          Object.entries(inUse).filter(([name]) => name !== topic),
                        ),
                      })
                    }
                  >
                    Back to the table
                  </Plain>
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
