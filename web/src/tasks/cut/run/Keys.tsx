import type { ReactNode } from 'react';

/** Four large keys under the sheet: a wet hand finds them without looking. */
export function Keys({ children }: { children: ReactNode }) {
  return (
    <div
      className="grid min-h-[84px] auto-cols-fr grid-flow-col gap-2"
      role="group"
      aria-label="Or"
    >
      {children}
    </div>
  );
}

export function Key(props: { onClick: () => void; disabled?: boolean; children: ReactNode }) {
  return (
    <button
      type="button"
      onClick={props.onClick}
      disabled={props.disabled ?? false}
      className="min-h-[72px] border-2 border-ink bg-sheet px-1 text-[clamp(18px,2vw,26px)] leading-tight font-bold disabled:border-line disabled:text-soft"
    >
      {props.children}
    </button>
  );
}
