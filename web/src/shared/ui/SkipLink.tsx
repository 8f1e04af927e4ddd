/** First on every page, seen while it has the focus: past the tape, to where the work begins. */
export function SkipLink() {
  return (
    <button
      type="button"
      className="sr-only focus:not-sr-only focus:absolute focus:top-0 focus:left-0 focus:z-30 focus:min-h-14 focus:bg-ink focus:px-5 focus:text-lg focus:font-bold focus:text-page"
      onClick={() => {
        const first = 'main [tabindex="0"], main a, main button, main input, main textarea';
        const work = document.getElementById('work') ?? document.querySelector<HTMLElement>(first);
        work?.focus();
      }}
    >
      To the work
    </button>
  );
}
