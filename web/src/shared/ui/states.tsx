import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Failure } from '../api/client';

/** A whole page that says one thing and offers one way on. */
export function PlainPage(props: { head: string; children?: ReactNode; way?: ReactNode }) {
  return (
    <main className="mx-auto flex min-h-full max-w-xl flex-col justify-center gap-4 p-6">
      <h1 className="text-3xl font-bold">{props.head}</h1>
      {props.children}
      {props.way ?? (
        <Link to="/" className="min-h-12 font-bold text-chalk underline">
          To all dogs
        </Link>
      )}
    </main>
  );
}

export function LoadingPage() {
  return (
    <main className="flex min-h-full items-center justify-center" aria-busy="true">
      <h1 className="text-xl text-soft">Setting out the table…</h1>
    </main>
  );
}

export function FailedPage({ failure, again }: { failure: Failure; again: () => void }) {
  return (
    <PlainPage
      head={failure.kind === 'not_found' ? 'That is not here' : 'That did not work'}
      way={
        <div className="flex gap-6">
          <button
            type="button"
            onClick={again}
            className="min-h-12 border-2 border-ink px-4 font-bold"
          >
            Try again
          </button>
          <Link to="/" className="flex min-h-12 items-center font-bold text-chalk underline">
            To all dogs
          </Link>
        </div>
      }
    >
      <p>{failure.message}</p>
    </PlainPage>
  );
}
