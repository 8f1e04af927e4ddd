import { useState } from 'react';
import type { Schemas } from '../api/client';

const WHY: Record<Schemas['ReturnBecause'], string> = {
  outline: 'the outline goes',
  knots: 'it knots',
  eyes: 'hair in the eyes',
};
/** Days of a week. */
export const WEEK = 7;
/** Weeks the tape shows at least, and past the last mark. */
const LEAST = 8;
const BEYOND = 2;

interface Mark {
  because: string;
  days: number;
}

/**
 * The weeks after a visit as a tape, pulled out to the day to come back; what else comes is chalked on. Where a
 * day can be agreed, the tape's end is pulled by finger or arrow keys, a week at a time.
 */
export function WeeksTape(props: {
  back: Schemas['Return'];
  on: (days: number) => string;
  onAgree: ((days: number) => void) | undefined;
}) {
  const { back, onAgree } = props;
  const [pulled, pull] = useState<number | null>(null);
  const [told, tell] = useState<number | null>(null);
  const [of, setOf] = useState(back.days);
  if (of !== back.days) {
    // The day is another: what was pulled before is answered.
    setOf(back.days);
    pull(null);
    tell(null);
  }
  const days = pulled === null ? back.days : pulled * WEEK;
  const marks: Mark[] = [
    ...back.if_you_wait,
    ...(back.advised_days == null ? [] : [{ because: 'advised', days: back.advised_days }]),
  ];
  const last = Math.max(back.days, ...marks.map((m) => m.days));
  const weeks = Math.max(LEAST, Math.ceil(last / WEEK) + BEYOND);
  const at = (days: number) => `${(100 * days) / (weeks * WEEK)}%`;
  const each = weeks > 16 ? 8 : 4;
  const letGo = () => {
    if (pulled === null || pulled === told || pulled * WEEK === back.days) return;
    tell(pulled);
    onAgree?.(pulled * WEEK);
  };
  return (
    <div className="pt-2" {...(onAgree ? {} : { role: 'img', 'aria-label': spoken(back) })}>
      <div
        className={`relative border-b border-line focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-ink ${onAgree ? 'h-12' : 'h-9'}`}
      >
        <div className="absolute inset-y-0 left-0 bg-tape" style={{ width: at(days) }} />
        {Array.from({ length: weeks }, (_, i) => i + 1).map((week) => (
          <span
            key={week}
            className={`absolute bottom-0 w-px ${week * WEEK <= days ? 'bg-on-tape' : 'bg-soft'} ${week % 4 === 0 ? 'h-5' : 'h-2.5'}`}
            style={{ left: at(week * WEEK) }}
          />
        ))}
        <span
          className="absolute inset-y-0 w-1.5 bg-ink"
          style={{ left: `calc(${at(days)} - 3px)` }}
        />
        {marks.map((mark) => (
          <span
            key={mark.because}
            className="absolute inset-y-0 border-l-2 border-dashed border-chalk"
            style={{ left: at(mark.days) }}
          />
        ))}
        {onAgree && (
          <input
            type="range"
            aria-label="Weeks to the next visit"
            aria-valuetext={`${Math.round(days / WEEK)} weeks, ${props.on(days)}`}
            className="absolute inset-0 h-full w-full cursor-ew-resize opacity-0"
            min={0}
            max={weeks}
            step={1}
            value={Math.round(days / WEEK)}
            onChange={(e) => pull(Math.max(1, Number(e.target.value)))}
            onPointerUp={letGo}
            onKeyUp={letGo}
            onBlur={letGo}
          />
        )}
      </div>
      <div className="relative h-5 font-mono text-sm">
        {Array.from({ length: Math.floor(weeks / each) }, (_, i) => each * (i + 1)).map((week) => (
          <span key={week} className="absolute -translate-x-1/2" style={{ left: at(week * WEEK) }}>
            {week}
          </span>
        ))}
        <span className="absolute left-0">weeks</span>
        {pulled !== null && pulled * WEEK !== back.days && (
          <span className="absolute right-0 bg-page pl-2 font-sans">{props.on(days)}</span>
        )}
      </div>
    </div>
  );
}

function spoken(back: Schemas['Return']): string {
  const later = back.if_you_wait.map((m) => `${WHY[m.because]} after ${Math.round(m.days / WEEK)}`);
  return [`Weeks to come: back after ${Math.round(back.days / WEEK)}`, ...later].join(', ');
}
