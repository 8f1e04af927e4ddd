import type { Schemas } from '../../shared/api/client';

type Sex = NonNullable<Schemas['Dog']['sex']>;

export const SEXES: { value: Sex; label: string }[] = [
  { value: 'female', label: 'Female' },
  { value: 'male', label: 'Male' },
  { value: 'unknown', label: 'Not said' },
];

/** How dark the hair is. */
export const COLOURS: { value: NonNullable<Schemas['Dog']['colour']>; label: string }[] = [
  { value: 'dark', label: 'Dark' },
  { value: 'mid', label: 'Mid' },
  { value: 'pale', label: 'Pale' },
];

/** Whether an undercoat lies under the coat. */
export const COATS: { value: 'single' | 'double'; label: string }[] = [
  { value: 'single', label: 'Single coat' },
  { value: 'double', label: 'Double coat' },
];

export const visitsText = (n: number) => `${n} ${n === 1 ? 'visit' : 'visits'}`;
