import { useRef } from 'react';
import type { Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { BeforeTheDog, BehindTheDog, OverTheDog } from './Questions';
import type { TalkSaid } from './useTalk';
import { useTies } from './useTies';

/**
 * The dog with one look laid over it, and the questions round it, each tied to its place by one stroke; on
 * narrow paper they stand beneath the dog.
 */
export function AskedOnDog(props: {
  /** The look laid over the dog; none until the first is known. */
  name: string | undefined;
  shown: Schemas['ShownLook'] | undefined;
  said: TalkSaid;
}) {
  const { shown, said } = props;
  const sheet = useRef<HTMLElement>(null);
  const ties = useTies(sheet, shown?.asks ?? null, shown?.drawing);
  return (
    <article
      ref={sheet}
      aria-label={props.name}
      className="relative grid min-h-0 flex-1 grid-cols-[clamp(156px,15vw,196px)_1fr_clamp(156px,15vw,196px)] bg-sheet p-3 max-[800px]:flex max-[800px]:flex-none max-[800px]:flex-col max-[800px]:gap-2"
    >
      <div className="flex flex-col justify-between gap-2 max-[800px]:order-2">
        <BeforeTheDog {...said} />
      </div>
      <div className="flex min-h-0 min-w-0 flex-col items-center max-[800px]:order-1">
        <div className="w-56 max-[800px]:order-2 max-[800px]:w-full">
          <OverTheDog {...said} />
        </div>
        <div className="flex min-h-0 w-full flex-1 items-end px-2 max-[800px]:h-[40vh] max-[800px]:flex-none">
          {shown ? (
            <Drawing drawing={shown.drawing} page={shown.drawn_mm} />
          ) : (
            <p className="m-auto">Trying every look on this dog…</p>
          )}
        </div>
      </div>
      <div className="flex flex-col justify-between gap-2 max-[800px]:order-3">
        <BehindTheDog {...said} />
      </div>
      <svg
        aria-hidden
        className="pointer-events-none absolute inset-0 h-full w-full text-chalk max-[800px]:hidden"
        stroke="currentColor"
        strokeWidth="2"
      >
        {ties.map((tie) => (
          <path key={tie.asks} data-tie={tie.asks} d={tie.d} />
        ))}
      </svg>
    </article>
  );
}
