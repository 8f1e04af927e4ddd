import type { ReactNode } from 'react';
import { Link } from 'react-router';

const LOOK =
  'flex min-h-[68px] w-full items-center justify-between gap-4 bg-ink px-5 text-left text-xl font-bold text-page ' +
  '[clip-path:polygon(0_0,100%_0,100%_100%,16px_100%,0_calc(100%-16px))] disabled:opacity-50';

/** The one large control, bottom right: always the next thing to do. */
export function BigLink({ to, children }: { to: string; children: ReactNode }) {
  return (
    <Link to={to} className={LOOK} data-next>
      {children}
      <Arrow />
    </Link>
  );
}

export function BigButton(props: {
  onClick: () => void;
  disabled?: boolean;
  children: ReactNode;
  type?: 'button' | 'submit';
}) {
  return (
    <button
      type={props.type ?? 'button'}
      className={LOOK}
      data-next
      onClick={props.onClick}
      disabled={props.disabled ?? false}
    >
      {props.children}
      <Arrow />
    </button>
  );
}

function Arrow() {
  return (
    <svg viewBox="0 0 40 16" className="h-4 w-10 shrink-0" aria-hidden="true">
      <path d="M0 8h38M30 1l8 7-8 7" fill="none" stroke="currentColor" strokeWidth="2.5" />
    </svg>
  );
}
