import { NavLink } from 'react-router';

/** The pages of a task, along the top of its margin; paths stand beside the present one. */
export function Tabs(props: { label: string; pages: readonly (readonly [string, string])[] }) {
  return (
    <nav aria-label={props.label} className="mb-3 flex border-b-2 border-ink">
      {props.pages.map(([path, name]) => (
        <NavLink
          key={path}
          to={`../${path}`}
          relative="path"
          className={({ isActive }) =>
            `flex min-h-12 flex-1 items-center justify-center px-1 pb-2.5 text-center leading-tight ${
              isActive ? 'taped' : ''
            }`
          }
        >
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
