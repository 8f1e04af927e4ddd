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
        {log.minutes.map(({ topic, label, factor }) => (
          <TaughtFactor
            key={topic}
            label={label}
            factor={factor}
            used={inUse[topic]}
            back="To the table"
            onUse={(next) =>
              props.onHouse({ ...house, minute_factors: { ...inUse, [topic]: next } })
            }
            onBack={() =>
              props.onHouse({
                ...house,
                minute_factors: Object.fromEntries(
                  Object.entries(inUse).filter(([name]) => name !== topic),
                ),
              })
            }
          />
        ))}
      </ul>
      <SortsTaught house={house} sorts={log.sorts} onHouse={props.onHouse} />
    </section>
  );
}

/** How much longer a sort of groom takes than the others here. */
function SortsTaught(props: {
  house: House;
  sorts: Schemas['SortLearnt'][];
  onHouse: (next: House) => void;
}) {
  const { house, sorts } = props;
  if (sorts.length === 0) return null;
  const isOf = (a: Schemas['Sort'], b: Schemas['Sort']) => a.by === b.by && a.name === b.name;
  return (
    <>
      <h3 className="border-t border-line pt-2 font-bold">And by sort of groom</h3>
      <ul>
        {sorts.map(({ sort, label, factor }) => {
          const others = house.minutes_by.filter((m) => !isOf(m.sort, sort));
          return (
            <TaughtFactor
              key={`${sort.by} ${sort.name}`}
              label={`${label}, ${sort.name}`}
              factor={factor}
              used={house.minutes_by.find((m) => isOf(m.sort, sort))?.factor}
              back="As the others"
              onUse={(next) =>
                props.onHouse({ ...house, minutes_by: [...others, { sort, factor: next }] })
              }
              onBack={() => props.onHouse({ ...house, minutes_by: others })}
            />
          );
        })}
      </ul>
    </>
  );
}

/** A factor the log taught, what sheets use, and the two ways to change that. */
function TaughtFactor(props: {
  label: string;
  factor: Schemas['Learnt'];
  used: number | undefined;
  back: string;
  onUse: (next: number) => void;
  onBack: () => void;
}) {
  const { label, factor, used, back } = props;
  const next = Math.round(factor.value * 100) / 100;
  return (
    <li className="border-t border-line py-1" data-taught={label}>
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
          <Plain label={`${label}: use it on sheets`} onClick={() => props.onUse(next)}>
            Use it
          </Plain>
        )}
        {used !== undefined && (
          <Plain label={`${label}: ${back.toLowerCase()}`} onClick={props.onBack}>
            {back}
          </Plain>
        )}
      </div>
    </li>
  );
}
