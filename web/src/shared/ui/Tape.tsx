import type { ReactNode } from 'react';
import { NavLink } from 'react-router';
import { SkipLink } from './SkipLink';

export interface TapeTask {
  name: string;
  to: string;
  /** Whether the visit has got so far. */
  reached: boolean;
}

const TICKS = Array.from({ length: 120 }, (_, i) => i);

/** The measuring tape along the top: the dog's name, then the tasks; pulled out as far as it got. */
export function Tape(props: {
  title: string;
  tasks: TapeTask[];
  present: number;
  /** At the table a sleeve leads nowhere: the tape shows, and is no link. */
  onlyShows?: boolean;
}) {
  const count = props.tasks.length;
  const reached = props.tasks.reduce((most, t, i) => (t.reached ? i : most), props.present);
  const pulled = ((reached + 1) / count) * 100;
  return (
    <header className="flex h-14 shrink-0 items-stretch">
      <SkipLink />
      <Lead
        to={props.onlyShows ? null : '/'}
        className="flex min-w-12 max-w-56 items-center bg-tape pl-5 pr-4 text-lg font-bold text-on-tape"
        title={`${props.title}: to all dogs`}
      >
        <span className="truncate">{props.title}</span>
      </Lead>
      <nav aria-label="Tasks of this visit" className="relative min-w-0 flex-1">
        <div
          className="tape-pulled absolute inset-y-0 left-0 overflow-hidden bg-tape"
          style={{ width: `${pulled}%` }}
        >
          <svg className="absolute bottom-0 left-0 h-3 w-[1200px]" aria-hidden="true">
            {TICKS.map((i) => (
              <line
                key={i}
                x1={i * 10 + 0.5}
                x2={i * 10 + 0.5}
                y1={i % 10 === 0 ? 0 : i % 5 === 0 ? 3 : 7}
                y2={12}
                stroke="var(--on-tape)"
                strokeWidth={1}
              />
            ))}
          </svg>
        </div>
        <div
          className="absolute inset-y-0 w-1.5 bg-ink max-[800px]:hidden"
          // At the last task the whole mark stands at the tape's end, not past the page's.
          style={{ left: `min(${((props.present + 1) / count) * 100}% - 3px, 100% - 6px)` }}
        />
        <div className="absolute inset-x-0 bottom-0 h-px bg-line" />
        <ul className="relative flex h-full">
          {props.tasks.map((task, i) => (
            <li
              key={task.name}
              className={`flex-1 ${Math.abs(i - props.present) > 1 ? 'max-[800px]:hidden' : ''}`}
            >
              <Lead
                to={props.onlyShows ? null : task.to}
                className={`flex h-full items-center justify-center pb-1 ${
                  i <= reached ? 'text-on-tape' : 'text-ink'
                } ${i === props.present ? 'text-lg font-bold' : ''}`}
              >
                {task.name}
              </Lead>
            </li>
          ))}
        </ul>
      </nav>
    </header>
  );
}

/** A link, or where it leads nowhere the same words as they stand. */
function Lead(props: {
  to: string | null;
  className: string;
  title?: string;
  children: ReactNode;
}) {
  const { to, title, ...shown } = props;
  return to === null ? <span {...shown} /> : <NavLink to={to} title={title} {...shown} />;
}
