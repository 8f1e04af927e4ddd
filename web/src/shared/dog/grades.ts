import type { Schemas } from '../api/client';

/** How strongly something is felt, as it is answered. */
export const GRADES: { value: Schemas['Grade']; label: string }[] = [
  { value: 'none', label: 'None' },
  { value: 'slight', label: 'Slight' },
  { value: 'marked', label: 'Marked' },
];
