import type { Schemas } from '../api/client';

const WHY: Record<Schemas['ReturnBecause'], string> = {
  outline: 'the outline goes',
  knots: 'it knots',
  eyes: 'hair in the eyes',
};
const WEEK = 7;
/** Weeks the tape shows at least, and past the last mark. */
const LEAST = 8;
const BEYOND = 2;

/** The weeks after a visit as a tape, pulled out to the day to come back; what else comes is chalked on. */
export function WeeksTape({ back }: { back: Schemas['Return'] }) {
  const marks = back.if_you_wait;
  const last = Math.max(back.days, ...marks.map((m) => m.days));
  const weeks = Math.max(LEAST, Math.ceil(last / WEEK) + BEYOND);
  const at = (days: number) => `${(100 * days) / (weeks * WEEK)}%`;
  return (
    <div className="pt-2" role="img" aria-label={spoken(back, marks)}>
      <div className="relative h-9 border-b border-line">
        <div className="absolute inset-y-0 left-0 bg-tape" style={{ width: at(back.days) }} />
        {Array.from({ length: weeks }, (_, i) => i + 1).map((week) => (
          <span
            key={week}
            className={`absolute bottom-0 w-px ${week * WEEK <= back.days ? 'bg-on-tape' : 'bg-soft'} ${week % 4 === 0 ? 'h-5' : 'h-2.5'}`}
            style={{ left: at(week * WEEK) }}
          />
        ))}
        <span
          className="absolute inset-y-0 w-1.5 bg-ink"
          style={{ left: `calc(${at(back.days)} - 3px)` }}
        />
        {marks.map((mark) => (
          <span
            key={mark.because}
            className="absolute inset-y-0 border-l-2 border-dashed border-chalk"
            style={{ left: at(mark.days) }}
          />
        ))}
      </div>
      <div className="relative h-5 font-mono text-sm">
        {Array.from({ length: Math.floor(weeks / 4) }, (_, i) => 4 * (i + 1)).map((week) => (
          <span key={week} className="absolute -translate-x-1/2" style={{ left: at(week * WEEK) }}>
            {week}
          </span>
        ))}
        <span className="absolute left-0">weeks</span>
      </div>
    </div>
  );
}

function spoken(back: Schemas['Return'], marks: Schemas['IfYouWait'][]): string {
  const later = marks.map((m) => `${WHY[m.because]} after ${Math.round(m.days / WEEK)}`);
  return [`Weeks to come: back after ${Math.round(back.days / WEEK)}`, ...later].join(', ');
}
