import { NavLink } from 'react-router';
import { useVisitWork } from '../../shared/visit/context';

const PAGES = [
  ['hands', 'Frame'],
  ['body', 'Body'],
  ['photo', 'Photo'],
  ['time', 'Over time'],
] as const;

/** The pages of the hands-on. */
export function HandsTabs() {
  const { visitId } = useVisitWork();
  return (
    <nav aria-label="Hands-on" className="mb-3 flex border-b-2 border-ink">
      {PAGES.map(([path, name]) => (
        <NavLink
          key={path}
          to={`/visit/${visitId}/${path}`}
          className={({ isActive }) =>
            `flex min-h-12 flex-1 items-center justify-center px-1 text-center leading-tight ${
              isActive ? 'bg-ink font-bold text-page' : ''
            }`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
