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

/** Space, page keys and arrows move on and back, as foot pedals send them. */
export function usePedal(onNext: () => void, onBack: () => void): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const target = e.target as Element;
      if (target.closest('input, textarea, select, [role=listbox], [role=dialog]')) return;
      if (e.ctrlKey || e.metaKey || e.altKey || e.repeat) return;
      const isOnButton = target.closest('button, a') !== null;
      const isNext = ['PageDown', 'ArrowRight', 'ArrowDown'].includes(e.key);
      const isBack = ['PageUp', 'ArrowLeft', 'ArrowUp'].includes(e.key);
      if (isNext || (e.key === ' ' && !isOnButton)) {
        e.preventDefault();
        onNext();
      } else if (isBack) {
        e.preventDefault();
        onBack();
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [onNext, onBack]);
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
