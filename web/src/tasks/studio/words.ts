import type { Schemas } from '../../shared/api/client';

type Sex = NonNullable<Schemas['Dog']['sex']>;

export const SEXES: { value: Sex; label: string }[] = [
  { value: 'female', label: 'Female' },
  { value: 'male', label: 'Male' },
  { value: 'unknown', label: 'Not said' },
];
