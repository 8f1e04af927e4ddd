import { useEffect, useMemo, useRef, type MouseEvent, type ReactNode } from 'react';
import type { Schemas } from '../api/client';
import { KeptSign } from '../ui/KeptSign';
import { RefusedTray } from '../ui/RefusedTray';
import { useSheetDrawing, useVisitWork } from '../visit/context';
import { Drawing, tagKey } from './Drawing';
import { pagePoint, useDragging } from './useDragging';
import { usePlaces } from './usePlaces';

type Tag = NonNullable<Schemas['Shape']['tag']>;

/** How wide the words stand beside the dog. */
const WIDTHS = { usual: 'w-[326px]', wide: 'w-[420px]', table: 'w-[47%]' };

/**
 * The sheet with the dog, and the margin beside it: every working screen, so that going from one
 * to the next reads as one drawing gaining marks.
 */
export function WorkScreen(props: {
  title: string;
  drawing?: Schemas['Drawing'];
  chosen?: Tag | null;
  onTouch?: (tag: Tag) => void;
  margin: ReactNode;
  next: ReactNode;
  foot?: ReactNode;
  isWide?: boolean;
  /** At the table: large keys under the sheet, and as much room for words as for the dog. */
  keys?: ReactNode;
  /** Whether the sheet shows the place of the step in hand alone. */
  isClose?: boolean;
  /** Stands under the sheet, as wide as it is. */
  rail?: ReactNode;
  /** Stands in the sheet's place. */
  sheet?: ReactNode;
  /** A touch on the sheet where nothing lies: page millimetres. */
  onPlace?: (page: [number, number]) => void;
  /** Whether carrier and landmarks are drawn to their places here. */
  canDrag?: boolean;
}) {
  const work = useVisitWork();
  useEffect(() => {
    document.title = `${props.title} · ${work.dog.name} · Veliform`;
  }, [props.title, work.dog.name]);
  const margin = useRef<HTMLDivElement>(null);
  const isAtTable = props.keys !== undefined;
  useEffect(() => {
    // The focus lands where the work begins; at the table keys are the pedal's, wherever it is.
    const now = document.activeElement;
    if (!isAtTable && !margin.current?.contains(now))
      margin.current?.focus({ preventScroll: true });
  }, [props.title, isAtTable]);
  return (
    <main className="flex min-h-0 flex-1 max-[800px]:flex-col max-[800px]:overflow-y-auto">
      <h1 className="sr-only">
        {props.title}: {work.dog.name}
      </h1>
      <section
        aria-label="The dog"
        className={`flex min-w-0 flex-1 flex-col p-3 pr-0 max-[800px]:min-h-[max(260px,48vh)] max-[800px]:pr-3 ${props.sheet ? 'max-[800px]:flex-none' : 'max-[800px]:shrink-0'}`}
      >
        {props.sheet ?? (
          <DogSheet
            drawing={props.drawing ?? null}
            chosen={props.chosen ?? null}
            onTouch={props.onTouch}
            onPlace={props.onPlace}
            canDrag={props.canDrag ?? false}
            isClose={props.isClose ?? false}
            canWalk={props.keys === undefined}
          />
        )}
        {props.rail}
        <RefusedTray />
        {props.keys ? (
          <>
            <div className="flex flex-wrap items-center justify-between gap-x-4 py-1.5 text-sm">
              <KeptSign log={work.log} />
              {props.foot}
            </div>
            {props.keys}
          </>
        ) : (
          <div className="flex min-h-14 flex-wrap items-center justify-between gap-x-4 gap-y-1 pt-2 text-sm">
            <KeptSign log={work.log} />
            <div className="flex flex-wrap items-center justify-end gap-2">
              {props.foot}
              <UndoRedo />
            </div>
          </div>
        )}
      </section>
      <section
        aria-label={props.title}
        className={`flex shrink-0 flex-col p-3 pl-4 max-[800px]:w-full max-[800px]:pl-3 ${WIDTHS[props.keys ? 'table' : props.isWide ? 'wide' : 'usual']}`}
      >
        <div
          ref={margin}
          id="work"
          className="relative -ml-2 min-h-0 flex-1 overflow-y-auto pr-1 pl-2 max-[800px]:overflow-visible"
          tabIndex={0}
        >
          {props.margin}
        </div>
        <div className="bg-page pt-3 max-[800px]:sticky max-[800px]:bottom-0 max-[800px]:pb-2">
          {props.next}
        </div>
      </section>
    </main>
  );
}

/** The dog on the table: a component of its own, so that it can follow the finger alone. */
function DogSheet(props: {
  /** Another drawing than the visit's own. */
  drawing: Schemas['Drawing'] | null;
  chosen: Tag | null;
  onTouch: ((tag: Tag) => void) | undefined;
  onPlace: ((page: [number, number]) => void) | undefined;
  canDrag: boolean;
  isClose: boolean;
  /** Whether arrow keys go from place to place; at the table they are the pedal's. */
  canWalk: boolean;
}) {
  const { onTouch, onPlace } = props;
  const own = useSheetDrawing();
  const { drawnStep, options, words } = useVisitWork();
  const isOfThisStep = drawnStep === (options.step ?? null);
  const drawing = useMemo(
    () => props.drawing ?? (isOfThisStep ? own : withoutWork(own)),
    [props.drawing, own, isOfThisStep],
  );
  const drag = useDragging(drawing, props.canDrag, onTouch);
  const walk = usePlaces(drawing, words, props.canWalk ? onTouch : undefined);
  const chosen = walk.at ?? props.chosen;
  const place = (e: MouseEvent<HTMLDivElement>) => {
    const at = pagePoint(e);
    // A zone lies everywhere: a place on it is a place all the same.
    if (at && !(e.target as Element).closest('.touchable:not(.r-zone_area)')) onPlace?.(at);
  };
  return (
    <div
      className={`sheet-at-work min-h-0 flex-1 bg-sheet ${props.canDrag ? 'can-drag' : ''}`}
      {...drag.handlers}
      {...walk.handlers}
      {...(onPlace ? { onClick: place } : {})}
    >
      <Drawing
        drawing={drawing}
        page={drag.page ?? (props.isClose ? (drawing.focus_mm ?? null) : null)}
        held={drag.held}
        chosen={chosen ? tagKey(chosen) : null}
        {...(onTouch ? { onTouch } : {})}
      />
      <p className="sr-only" role="status" data-place>
        {walk.said}
      </p>
    </div>
  );
}

/** A hatch of another step would show the wrong place: none is better. */
function withoutWork(drawing: Schemas['Drawing']): Schemas['Drawing'] {
  return { ...drawing, shapes: drawing.shapes.filter((shape) => shape.role !== 'work') };
}

function UndoRedo() {
  const { evaluation, say } = useVisitWork();
  const { undo, redo } = evaluation.visit;
  const look = 'min-h-12 border border-ink px-3 disabled:border-line disabled:text-soft';
  return (
    <>
      <button
        type="button"
        className={look}
        disabled={!undo}
        data-undo
        onClick={() => undo && say({ kind: 'undone', entry: undo.entry })}
      >
        Undo{undo ? ` ${undo.label}` : ''}
      </button>
      <button
        type="button"
        className={look}
        disabled={!redo}
        data-redo
        onClick={() => redo && say({ kind: 'redone', entry: redo.entry })}
      >
        Redo
      </button>
    </>
  );
}
