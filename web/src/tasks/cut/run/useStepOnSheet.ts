import { useEffect } from 'react';
import { useSearchParams } from 'react-router';

/**
 * The sheet shows where the step works, and the finished side turned over while the other is
 * worked: both stand in the address.
 */
export function useStepOnSheet(step: number | null, isMirrored = false) {
  const [search, setSearch] = useSearchParams();
  const wanted = step === null ? null : String(step);
  const turned = isMirrored ? 'yes' : null;
  const isShown = search.get('step') === wanted && search.get('mirrored') === turned;
  useEffect(() => {
    if (isShown) return;
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        for (const [name, value] of [
          ['step', wanted],
          ['mirrored', turned],
        ] as const) {
          if (value === null) next.delete(name);
          else next.set(name, value);
        }
        return next;
      },
      { replace: true },
    );
  }, [isShown, wanted, turned, setSearch]);
}
