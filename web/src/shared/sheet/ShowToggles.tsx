import { useSearchParams } from 'react-router';

const NAMES = {
  landmarks: 'Landmarks',
  settled: 'Settled, in an hour',
  ideal: 'Exact',
  measures: 'Measures',
} as const;

/** Further layers of the sheet, kept in the address so that a reload shows the same. */
export function ShowToggles({ names }: { names: (keyof typeof NAMES)[] }) {
  const [search, setSearch] = useSearchParams();
  const shown = new Set((search.get('show') ?? '').split(',').filter(Boolean));
  return (
    <>
      {names.map((name) => (
        <button
          key={name}
          type="button"
          aria-pressed={shown.has(name)}
          className="min-h-12 border border-ink px-3 aria-pressed:taped"
          onClick={() => {
            if (shown.has(name)) shown.delete(name);
            else shown.add(name);
            setSearch(
              (now) => {
                if (shown.size > 0) now.set('show', [...shown].join(','));
                else now.delete('show');
                return now;
              },
              { replace: true },
            );
          }}
        >
          {NAMES[name]}
        </button>
      ))}
    </>
  );
}
