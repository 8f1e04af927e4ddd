import { useState } from 'react';

/** Now, as it was when the page was shown. */
export function useToday(): number {
  const [now] = useState(() => Date.now());
  return now;
}
