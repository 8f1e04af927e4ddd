import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { begin, begunOf } from '../../shared/offline/begun';
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
  const begun = begunOf(card.dog.id);
  const beginning = useMutation({
    networkMode: 'always',
    mutationFn: () => begin(card.dog),
    onSuccess: (visit) => void navigate(`/visit/${visit}/hands`),
  });
  // Room below the feet is cut, so that all paws stand on the rail.
  const below = -bottom * SCALE;
  return (
    <li className="grow pt-4">
      <button
        type="button"
        className="block w-full pb-2 text-left"
        title={card.dog.name}
        onClick={() => {
          if (begun) void navigate(`/visit/${begun}/hands`);
          else if (last) setAsked(true);
          else beginning.mutate();
        }}
        disabled={beginning.isPending}
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
            {begun
              ? 'begun here, not yet sent'
              : card.here
                ? card.here.words
                : last
                  ? days === 0
                    ? 'here today: go on'
                    : dayText(last.began_ms)
                  : 'no visit yet'}
          </span>
        </span>
      </button>
      {beginning.error && <Said>{beginning.error.message}</Said>}
      {last && isAsked && (
        <Suspense fallback={null}>
          <WhichVisit
            dog={card.dog}
            last={last}
            isBeginning={beginning.isPending}
            problem={beginning.error?.message ?? null}
            onBegin={() => beginning.mutate()}
            onClose={() => setAsked(false)}
          />
        </Suspense>
      )}
    </li>
  );
}
