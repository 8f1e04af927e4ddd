import type { Schemas } from '../api/client';

export type Grades = Partial<Record<Schemas['Felt'], Schemas['Grade']>>;

/** A leg is straight or well bent: one row of five. */
export type Bend = 'straight-marked' | 'straight-slight' | 'usual' | 'bent-slight' | 'bent-marked';

/** The question the five answer. */
export const BEND = { label: 'Bend behind', how: 'Follow the back of the thigh to the hock.' };

const BEHIND = ['straight_behind', 'well_bent'];

export const BENDS: { value: Bend; label: string }[] = [
  { value: 'straight-marked', label: 'Very straight' },
  { value: 'straight-slight', label: 'Straight' },
  { value: 'usual', label: 'Usual' },
  { value: 'bent-slight', label: 'Bent' },
  { value: 'bent-marked', label: 'Well bent' },
];

/** The bend two grades stand for; none where neither was said. */
export function bendOf({ straight_behind: straight, well_bent: bent }: Grades): Bend | null {
  if (straight === 'marked' || straight === 'slight') return `straight-${straight}`;
  if (bent === 'marked' || bent === 'slight') return `bent-${bent}`;
  return straight === undefined && bent === undefined ? null : 'usual';
}

/** The same grades with another bend: straight and well bent rule each other out. */
export function withBend(grades: Grades, bend: Bend): Grades {
  const others = Object.entries(grades).filter(([felt]) => !BEHIND.includes(felt));
  const [which, grade] = gradeOf(bend);
  return { ...(Object.fromEntries(others) as Grades), [which]: grade };
}

/** What is said with a bend. */
export function gradeOf(bend: Bend): [Schemas['Felt'], Schemas['Grade']] {
  const [which, grade] = bend.split('-') as [string, Schemas['Grade'] | undefined];
  return [which === 'bent' ? 'well_bent' : 'straight_behind', grade ?? 'none'];
}
