import type { Schemas } from '../api/client';
import type { VisitWork } from './context';

type Known = Schemas['Known'];

/** Days since it was found, where it came along from an earlier visit; null where it was found now. */
export function ageOf(work: VisitWork, known: Known): number | null {
  const { ago } = work.evaluation.visit.frame;
  switch (known.of) {
    case 'measure':
      return ago?.measures[known.which] ?? null;
    case 'angle':
      return ago?.angles[known.which] ?? null;
    case 'felt':
      return ago?.felt[known.which] ?? null;
  }
}

/** Everything that came along and nobody has felt again. */
export function allAged(work: VisitWork): Known[] {
  const { ago } = work.evaluation.visit.frame;
  const of = (kind: Known['of'], list: object | undefined) =>
    Object.keys(list ?? {}).map((which) => ({ of: kind, which }) as Known);
  return [...of('measure', ago?.measures), ...of('angle', ago?.angles), ...of('felt', ago?.felt)];
}

const DAYS_A_WEEK = 7;
const DAYS_A_MONTH = 30.4;

/** As a person says how long ago. */
export function agoText(days: number): string {
  const ago = (count: number, one: string) => `${count} ${count === 1 ? one : `${one}s`} ago`;
  if (days === 0) return 'earlier today';
  if (days < 2 * DAYS_A_WEEK) return ago(days, 'day');
  if (days < 13 * DAYS_A_WEEK) return ago(Math.round(days / DAYS_A_WEEK), 'week');
  if (days < 24 * DAYS_A_MONTH) return ago(Math.round(days / DAYS_A_MONTH), 'month');
  return ago(Math.round(days / (12 * DAYS_A_MONTH)), 'year');
}
