import { putTroubleAway, useTrouble } from '../api/trouble';

/** What went wrong behind the page: said until it is put away. */
export function TroubleSign() {
  const trouble = useTrouble();
  if (!trouble) return null;
  return (
    <div
      role="alert"
      className="fixed inset-x-3 bottom-3 z-20 flex max-w-xl items-center gap-3 border-2 border-ink bg-sheet p-2 pl-3"
    >
      <p className="flex-1 border-l-4 border-pin pl-2">{trouble}</p>
      <button
        type="button"
        className="min-h-12 border-2 border-ink px-3 font-bold"
        onClick={putTroubleAway}
      >
        I have read this
      </button>
    </div>
  );
}
