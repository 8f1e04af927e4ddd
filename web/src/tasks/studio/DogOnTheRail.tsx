import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import { nowMs } from '../../shared/clock/now';
import { api, ask, type Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { Said } from '../../shared/ui/controls';
import { dayText, daysBetween } from '../../shared/units/show';
import { useToday } from '../../shared/units/useToday';

/** Comes when a known dog is touched: the first screen does without dialogs. */
const WhichVisit = lazy(async () => ({ default: (await import('./WhichVisit')).WhichVisit }));

/** Pixels a millimetre of dog: all dogs stand at one scale. */
const SCALE = 0.235;

/** A dog on the rail: a new one is begun at a touch, a known one asks which visit. */
export function DogOnTheRail({ card }: { card: Schemas['DogCard'] }) {
  const navigate = useNavigate();
  const [isAsked, setAsked] = useState(false);
  const [left, bottom, right, top] = card.outline.bounds_mm as [number, number, number, number];
  const last = card.last_visit ?? null;
  const today = useToday();
  const days = last ? daysBetween(last.began_ms, today) : null;
  const begin = useMutation({
    mutationFn: () =>
      ask(
        api.PUT('/api/visits/{id}', {
          params: { path: { id: crypto.randomUUID() } },
          body: { dog: card.dog.id, began_ms: nowMs() },
        }),
      ),
    onSuccess: (visit) => void navigate(`/visit/${visit.id}/hands`),
  });
  // Room below the feet is cut, so that all paws stand on the rail.
  const below = -bottom * SCALE;
  return (
    <li className="grow pt-4">
      <button
        type="button"
        className="block w-full pb-2 text-left"
        title={card.dog.name}
        onClick={() => (last ? setAsked(true) : begin.mutate())}
        disabled={begin.isPending}
      >
        <span
          className="block overflow-hidden"
          style={{ width: (right - left) * SCALE, height: top * SCALE }}
        >
          <span className="block" style={{ height: (top - bottom) * SCALE, marginBottom: -below }}>
            <Drawing drawing={card.outline} />
          </span>
        </span>
        <span className="block border-t-2 border-ink pt-1">
          <span className="block max-w-48 truncate pl-10 text-lg font-bold">{card.dog.name}</span>
          <span
            className={`block max-w-48 truncate pl-10 text-sm ${card.here ? 'font-bold' : 'text-soft'}`}
          >
            {card.here
              ? card.here.words
              : last
                ? days === 0
                  ? 'here today: go on'
                  : dayText(last.began_ms)
                : 'no visit yet'}
          </span>
        </span>
      </button>
      {begin.error && <Said>{begin.error.message}</Said>}
      {last && isAsked && (
        <Suspense fallback={null}>
          <WhichVisit
            dog={card.dog}
            last={last}
            isBeginning={begin.isPending}
            problem={begin.error?.message ?? null}
            onBegin={() => begin.mutate()}
            onClose={() => setAsked(false)}
          />
        </Suspense>
      )}
    </li>
  );
}
