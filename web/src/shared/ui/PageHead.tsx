import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { SkipLink } from './SkipLink';

/** The head of a page beside the visits: the way back on the tape, then what stands here. */
export function PageHead(props: { children: ReactNode; back?: { to: string; name: string } }) {
  const { to, name } = props.back ?? { to: '/', name: 'All dogs' };
  return (
    <header className="flex h-14 shrink-0 items-stretch border-b border-line">
      <SkipLink />
      <Link to={to} className="flex shrink-0 items-center bg-tape px-5 font-bold text-on-tape">
        {name}
      </Link>
      <div className="w-1.5 bg-ink" />
      <h1 className="flex min-w-0 items-center pl-5 text-lg font-bold">
        <span className="truncate">{props.children}</span>
      </h1>
    </header>
  );
}
