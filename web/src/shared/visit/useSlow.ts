import { useEffect, useRef, useState } from 'react';

/** What follows slowly is brought up to date this often, ms. */
const EVERY_MS = 250;

/** A value, or while it is slow only every so often: a finger on the sheet has the time first. */
export function useSlow<T>(value: T, isSlow: boolean): T {
  const [held, setHeld] = useState(value);
  const newest = useRef(value);
  useEffect(() => {
    newest.current = value;
  }, [value]);
  useEffect(() => {
    if (!isSlow) return;
    const timer = setInterval(() => setHeld(newest.current), EVERY_MS);
    return () => clearInterval(timer);
  }, [isSlow]);
  if (!isSlow && held !== value) setHeld(value);
  return isSlow ? held : value;
}
