import type { Schemas } from '../../../shared/api/client';

/** The dog's own sides. */
export const HANDS: { value: Schemas['Hand']; label: string }[] = [
  { value: 'left', label: 'Left' },
  { value: 'right', label: 'Right' },
];
