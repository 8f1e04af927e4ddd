import { Link } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { isSeen } from './seen';

/** All stances in the order of the walk: which are done, and which is shown. */
export function StanceRow(props: { walk: Schemas['WalkView'][]; from: Schemas['WalkFrom'] }) {
  return (
    <nav aria-label="Stances" className="grid grid-cols-7 border-t-2 border-ink">
      {props.walk.map((view) => {
        const isDone = view.places.every(isSeen);
        const isHere = view.from === props.from;
        return (
          <Link
            key={view.from}
            to={`?walk=${view.from}`}
            aria-current={isHere ? 'step' : undefined}
            className={`flex min-h-14 items-center justify-center border-b-8 text-center text-sm ${
              isHere ? 'border-tape font-bold' : 'border-transparent'
            }`}
          >
            {view.short}
            {isDone && <span aria-label=", looked at"> ✓</span>}
          </Link>
        );
      })}
    </nav>
  );
}
