import type { Schemas } from '../../shared/api/client';

/** What a clipper takes, and what a blade or comb fits, in a word. */
export const FITS: { value: Schemas['ClipperFit']; label: string }[] = [
  { value: 'any', label: 'any clipper' },
  { value: 'detachable', label: 'detachable' },
  { value: 'adjustable', label: 'adjustable' },
  { value: 'wide', label: 'wide' },
];
