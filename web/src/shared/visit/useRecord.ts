import { useCallback, useEffect, useRef } from 'react';

/**
 * A record that is said whole, changed a part at a time: two parts changed in quick succession both
 * count, though the core has answered neither yet.
 */
export function useRecord<T extends object>(
  value: T,
  say: (whole: T) => void,
): (change: Partial<T>) => void {
  const latest = useRef(value);
  const saying = useRef(say);
  useEffect(() => {
    latest.current = value;
  }, [value]);
  useEffect(() => {
    saying.current = say;
  });
  return useCallback((change: Partial<T>) => {
    latest.current = { ...latest.current, ...change };
    saying.current(latest.current);
  }, []);
}
