import {
  useCallback,
  useEffect,
  useRef,
  useState,
  type KeyboardEvent,
  type MouseEvent,
} from 'react';

/** So long a control is held before it counts, ms: no bounce, no blind press. */
export const HOLD_MS = 600;

/**
 * A control that wants to be held: by finger, by key, by pedal. What a screen reader presses counts at
 * once, since it cannot hold.
 */
export function useHold(onHeld: () => void) {
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const act = useRef(onHeld);
  const [isHeld, setHeld] = useState(false);
  useEffect(() => {
    act.current = onHeld;
  });
  const start = useCallback(() => {
    clearTimeout(timer.current);
    setHeld(true);
    timer.current = setTimeout(() => {
      setHeld(false);
      act.current();
    }, HOLD_MS);
  }, []);
  const stop = useCallback(() => {
    clearTimeout(timer.current);
    setHeld(false);
  }, []);
  useEffect(() => () => clearTimeout(timer.current), []);
  const isPress = (key: string) => key === 'Enter' || key === ' ';
  return {
    isHeld,
    start,
    stop,
    handlers: {
      onPointerDown: start,
      onPointerUp: stop,
      onPointerLeave: stop,
      onPointerCancel: stop,
      onKeyDown: (e: KeyboardEvent) => {
        if (!isPress(e.key)) return;
        e.preventDefault();
        if (!e.repeat) start();
      },
      onKeyUp: (e: KeyboardEvent) => {
        if (!isPress(e.key)) return;
        e.preventDefault();
        stop();
      },
      // Neither finger nor key: no pointer came before it.
      onClick: (e: MouseEvent) => {
        if (e.detail === 0) act.current();
      },
      onContextMenu: (e: MouseEvent) => e.preventDefault(),
    },
  };
}
