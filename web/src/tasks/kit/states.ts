import type { Tool } from '../../shared/api/salon';

/** How a tool cuts. */
export const STATES: { value: NonNullable<Tool['state']>; label: string }[] = [
  { value: 'fine', label: 'fine' },
  { value: 'warm_running', label: 'runs warm' },
  { value: 'dull', label: 'dull' },
  { value: 'tooth_missing', label: 'tooth missing' },
];
