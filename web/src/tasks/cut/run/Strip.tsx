import type { RunNow } from '../../../shared/run/useRun';
import { clocksOf, type Clock } from './due';

/** Heat, rest and time: always in sight, over the large control, never scrolled. */
export function Strip({ run }: { run: RunNow }) {
  const { blade, rest } = clocksOf(run);
  const late = Math.round(run.view.late_minutes);
  return (
    <dl className="grid grid-cols-3 gap-1.5 pb-2" data-strip>
      <Piece name="Blade" clock={blade} none="no bare blade" />
      <Piece name="Rest" clock={rest} none="none due" />
      <Piece
        name="Time"
        clock={null}
        none={late >= 5 ? `${late} min late` : late <= -5 ? `${-late} min ahead` : 'on time'}
      />
    </dl>
  );
}

function Piece(props: { name: string; clock: Clock | null; none: string }) {
  const { clock } = props;
  const look = clock?.isDue ? 'border-ink bg-ink text-page' : 'border-line';
  return (
    <div
      className={`flex min-h-[72px] flex-col justify-center border-2 px-3 leading-tight ${look}`}
    >
      <dt className="text-sm">{props.name}</dt>
      <dd
        className={
          clock ? `font-mono font-bold ${clock.isDue ? 'text-lg' : 'text-2xl'}` : 'text-lg'
        }
      >
        {clock?.words ?? props.none}
      </dd>
    </div>
  );
}
