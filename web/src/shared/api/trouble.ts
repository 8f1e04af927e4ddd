import { useSyncExternalStore } from 'react';
import { Failure } from './client';

/** What went wrong where no field or page could say it. */
let message: string | null = null;
const listeners = new Set<() => void>();

function tell(next: string | null): void {
  message = next;
  for (const listener of listeners) listener();
}

/**
 * Says a failure that nobody waits for. That the server is away stands at the foot of the sheet
 * already; anything else is said where the eye finds it.
 */
export function reportFailure(error: unknown): void {
  if (error instanceof Failure && error.kind === 'offline') return;
  if (error instanceof DOMException && error.name === 'AbortError') return;
  tell(error instanceof Error ? error.message : 'Something did not work. Try again.');
}

export function putTroubleAway(): void {
  tell(null);
}

export function useTrouble(): string | null {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => message,
  );
}
