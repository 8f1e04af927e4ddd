import { nowMs } from '../clock/now';
import { useState } from 'react';

/** Now, as it was when the page was shown. */
export function useToday(): number {
  const [now] = useState(() => nowMs());
  return now;
}
