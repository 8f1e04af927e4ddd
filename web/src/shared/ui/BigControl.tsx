import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { HOLD_MS, type useHold } from './useHold';

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

/**
 * The large control for what must not be pressed blindly: it counts once it was held, and fills while
 * it is.
 */
export function BigHold(props: { hold: ReturnType<typeof useHold>; children: string }) {
  const { hold } = props;
  return (
    <button
      type="button"
      className={`${LOOK} relative touch-none select-none`}
      data-next
      data-hold
      {...hold.handlers}
    >
      <span
        aria-hidden="true"
        className={`absolute inset-y-0 left-0 bg-chalk ${hold.isHeld ? 'w-full transition-[width] ease-linear' : 'w-0'}`}
        style={{ transitionDuration: `${HOLD_MS}ms` }}
      />
      <span className="relative">
        {props.children} <span className="block text-sm font-normal">hold it down</span>
      </span>
      <Arrow />
    </button>
  );
}

/** The large control just after a deed: it says what was done, and takes no touch. */
export function BigDone({ children }: { children: ReactNode }) {
  return (
    <p
      role="status"
      data-done
      className="relative flex min-h-[68px] w-full items-center bg-wash px-5 text-xl font-bold text-ink"
    >
      <span
        aria-hidden="true"
        className="big-done absolute inset-y-0 left-0 border-r-4 border-ink bg-tape"
      />
      <span className="relative line-clamp-2 text-on-tape">{children}</span>
    </p>
  );
}

/** The large control when something is due: it looks otherwise, and more so the longer it waits. */
export function BigDue(props: {
  onClick: () => void;
  isUrgent: boolean;
  children: ReactNode;
  aside: string;
}) {
  return (
    <button
      type="button"
      data-next
      data-due
      className={`flex min-h-[68px] w-full items-center justify-between gap-4 border-4 border-ink bg-tape px-5 text-left text-xl font-bold text-on-tape ${
        props.isUrgent ? 'big-urgent' : ''
      }`}
      onClick={props.onClick}
    >
      <span>
        {props.children}
        <span role="alert" className="block text-base">
          {props.aside}
        </span>
      </span>
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
