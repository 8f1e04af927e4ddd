import { useEffect } from 'react';

/** The screen stays awake while a dog is on the table, where the browser can. */
export function useAwake(isAtWork: boolean): void {
  useEffect(() => {
    if (!isAtWork || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isOpen = true;
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (got) => {
          if (isOpen) lock = got;
          else void got.release();
        },
        () => undefined,
      );
    };
    hold();
    // The lock is lost with the lid; it is taken again when the page shows.
    document.addEventListener('visibilitychange', hold);
    return () => {
      isOpen = false;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [isAtWork]);
}

const NEXT_KEYS = ['PageDown', 'ArrowRight'];
const BACK_KEYS = ['PageUp', 'ArrowLeft'];

/**
 * Space, page keys and arrows move on and back, as foot pedals send them. Where the large control is to
 * be held, so is the pedal. Keys that scroll the margin are the margin's.
 */
export function usePedal(pedal: {
  onNext: () => void;
  onBack: () => void;
  /** What is held instead of pressed; null where a press is enough. */
  hold: { start: () => void; stop: () => void } | null;
}): void {
  const { onNext, onBack, hold } = pedal;
  const start = hold?.start;
  const stop = hold?.stop;
  useEffect(() => {
    const isTaken = (e: KeyboardEvent) => {
      const target = e.target as Element;
      return (
        target.closest('input, textarea, select, [role=listbox], [role=dialog]') !== null ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey
      );
    };
    const isNext = (e: KeyboardEvent) => {
      const isOnButton = (e.target as Element).closest('button, a, summary') !== null;
      return NEXT_KEYS.includes(e.key) || (e.key === ' ' && !isOnButton);
    };
    const press = (e: KeyboardEvent) => {
      if (isTaken(e)) return;
      if (isNext(e)) {
        e.preventDefault();
        if (e.repeat) return;
        if (start) start();
        else onNext();
      } else if (BACK_KEYS.includes(e.key)) {
        e.preventDefault();
        if (!e.repeat) onBack();
      }
    };
    const release = (e: KeyboardEvent) => {
      if (isNext(e)) stop?.();
    };
    window.addEventListener('keydown', press);
    window.addEventListener('keyup', release);
    return () => {
      window.removeEventListener('keydown', press);
      window.removeEventListener('keyup', release);
    };
  }, [onNext, onBack, start, stop]);
}

/** Reads a step aloud, where the browser can and it is asked for. */
export function useReading(words: string, isOn: boolean): void {
  useEffect(() => {
    if (!isOn || !('speechSynthesis' in window)) return;
    const said = new SpeechSynthesisUtterance(words);
    said.lang = 'en-GB';
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(said);
    return () => window.speechSynthesis.cancel();
  }, [words, isOn]);
}
