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
  const eighths = Math.round((mm / 25.4) * 8);
  const whole = Math.trunc(eighths / 8);
  const rest = Math.abs(eighths % 8);
  const fraction = ['', '1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8'][rest] ?? '';
  if (rest === 0) return String(whole);
  return whole === 0 ? fraction : `${whole} ${fraction}`;
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

/** A day as people write it. */
export function dayText(ms: number): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  }).format(new Date(ms));
}
