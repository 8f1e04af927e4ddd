import type { Schemas } from '../api/client';

export type Grades = Partial<Record<Schemas['Felt'], Schemas['Grade']>>;
type BendWord = Schemas['BendWord'];

/** The bend that grades say; none where nothing was said of it. */
export function bendOf(grades: Grades, bends: BendWord[]): BendWord | undefined {
  const said = bends.filter((bend) => grades[bend.felt] === bend.grade);
  return said.find((bend) => bend.grade !== 'none') ?? said[0];
}

/** The same grades with another bend: what the row said before is gone, for its answers rule each other out. */
export function withBend(grades: Grades, bend: BendWord, bends: BendWord[]): Grades {
  const others = Object.entries(grades).filter(([felt]) => !bends.some((b) => b.felt === felt));
  return { ...(Object.fromEntries(others) as Grades), [bend.felt]: bend.grade };
}
