import type { Schemas } from '../api/client';

type UnitSystem = Schemas['UnitSystem'];

/**
 * Writes a length the core gave in millimetres, in the salon's system. Only how a number is
 * written, as the core's own display does: no rule of the job.
 */
export function lengthText(mm: number, units: UnitSystem): string {
  if (units === 'millimetres') {
    if (Math.abs(mm) < 0.995 && Math.abs(mm - Math.round(mm)) > 0.005)
      return mm.toFixed(2).replace(/0$/, '');
    return Math.abs(mm) < 9.95 && Math.abs(mm - Math.round(mm)) > 0.05
      ? mm.toFixed(1)
      : String(Math.round(mm));
  }
  const inches = Math.abs(mm) / 25.4;
  const parts = inches < 0.25 - 1 / 64 ? 32 : 8;
  const sign = mm < 0 && inches > 0.002 ? '-' : '';
  const count = Math.round(inches * parts);
  if (count === 0) return inches > 0.002 ? `${sign}1/64` : '0';
  const whole = Math.floor(count / parts);
  let top = count % parts;
  let bottom = parts;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  if (top === 0) return `${sign}${whole}`;
  return `${sign}${whole === 0 ? '' : `${whole} `}${top}/${bottom}`;
}

export function unitName(units: UnitSystem): string {
  return units === 'millimetres' ? 'mm' : 'in';
}

/** Minutes as they stand on the sheet: 1 h 50. */
export function minutesText(minutes: number): string {
  const whole = Math.round(minutes);
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  return hours === 0 ? `${rest} min` : `${hours} h ${String(rest).padStart(2, '0')}`;
}

/** So many days later by the calendar: a day has 23 or 25 hours where clocks are changed. */
export function daysAfter(ms: number, days: number): number {
  const day = new Date(ms);
  day.setDate(day.getDate() + days);
  return day.getTime();
}

/** Whole calendar days from one moment to another, as this device's calendar has them. */
export function daysBetween(fromMs: number, toMs: number): number {
  const noon = (ms: number) => new Date(ms).setHours(12, 0, 0, 0);
  return Math.round((noon(toMs) - noon(fromMs)) / 86_400_000);
}

/** A day to come, by its name. */
export function weekdayText(ms: number): string {
  return new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
  }).format(new Date(ms));
}

/** A day as people write it. */
export function dayText(ms: number): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  }).format(new Date(ms));
}
