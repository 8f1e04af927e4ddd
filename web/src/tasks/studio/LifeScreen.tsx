import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { api, ask, Failure, type Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { useChoices, wordOf } from '../../shared/api/choices';
import { useCatalogue, useHouse } from '../../shared/api/salon';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { PageHead } from '../../shared/ui/PageHead';
import { dayText, lengthText, minutesText, unitName } from '../../shared/units/show';

/** The life of a dog at this salon: its visits, what was found and left, how it grew and trusted. */
export function LifeScreen() {
  const { dog: id = '' } = useParams();
  const house = useHouse();
  const words = useCatalogue();
  const page = useQuery({
    queryKey: ['dog', id, 'life'],
    queryFn: () => ask(api.GET('/api/dogs/{id}/life', { params: { path: { id } } })),
    staleTime: 0,
  });
  const name = page.data?.dog.name;
  useEffect(() => {
    document.title = `${name ?? 'Dog'}, its life · Veliform`;
  }, [name]);
  if (page.error instanceof Failure)
    return <FailedPage failure={page.error} again={() => void page.refetch()} />;
  if (!page.data || !house.data || !words.data) return <LoadingPage />;
  const { dog, life, outlines, photos } = page.data;
  const { units } = house.data;
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>{dog.name}</PageHead>
      <main className="min-h-0 flex-1 overflow-y-auto p-5">
        <div className="grid items-start gap-x-8 gap-y-4 md:grid-cols-[minmax(0,5fr)_minmax(0,7fr)]">
          <section aria-label="Outlines">
            {outlines && life.visits.length > 0 ? (
              <>
                <Drawing drawing={outlines} />
                <p className="text-sm text-soft">
                  As it came last
                  {life.visits.length > 1 && ', over its build as first measured'}.
                </p>
              </>
            ) : (
              <p className="text-soft">No visit yet: its outlines will stand here.</p>
            )}
            {life.growth && (
              <p className="pt-2">
                Its coat grows <b className="font-mono">{Math.round(100 * life.growth.value)} %</b>{' '}
                of what its texture usually does, by {life.growth.readings}{' '}
                {life.growth.readings === 1 ? 'reading' : 'readings'}.
              </p>
            )}
            <Weights visits={life.visits} />
            <Found found={life.found} words={words.data.found} />
            <a
              href={`/api/dogs/${dog.id}/life.pdf`}
              download
              className="mt-4 inline-flex min-h-12 items-center border border-ink px-3"
            >
              PDF for the owner or the vet
            </a>
            <p className="pt-1 text-sm text-soft">What was seen; it is no diagnosis.</p>
          </section>
          <ol aria-label="Visits" className="border-l-4 border-tape">
            {life.visits.map((visit) => (
              <Visit
                key={visit.id}
                visit={visit}
                units={units}
                photos={photos.filter((p) => p.visit === visit.id)}
              />
            ))}
          </ol>
        </div>
      </main>
    </div>
  );
}

function Visit(props: {
  visit: Schemas['LifeVisit'];
  units: Schemas['UnitSystem'];
  photos: Schemas['LifePhoto'][];
}) {
  const { visit, units, photos } = props;
  const { tempers, trust } = useChoices();
  const minutes =
    visit.worked_minutes != null &&
    `${minutesText(visit.worked_minutes)} at the table${
      visit.planned_minutes == null ? '' : `, ${minutesText(visit.planned_minutes)} planned`
    }`;
  const left = visit.left.map(
    (z) => `${z.label} ${lengthText(z.left_mm, units)} ${unitName(units)}`,
  );
  const took = [
    wordOf(tempers, visit.temper).toLowerCase(),
    visit.trust ? `trust ${wordOf(trust, visit.trust).toLowerCase()}` : '',
  ].filter(Boolean);
  const lines: [string, string][] = [
    ['Left', left.join(' · ')],
    ['Knots', visit.knotted.join(', ')],
    ['Handling', took.join(', ')],
    ['Not done', visit.left_undone.join(', ')],
  ];
  return (
    <li className="pb-4 pl-4" data-visit={visit.id}>
      <Link
        to={`/visit/${visit.id}/hands`}
        className="flex min-h-12 flex-wrap items-center gap-x-3 font-bold text-chalk underline"
      >
        {dayText(visit.began_ms)}
      </Link>
      <p>
        {[
          visit.look,
          visit.programme,
          minutes,
          visit.weight_kg != null && `${visit.weight_kg} kg`,
          visit.height_mm != null &&
            `${lengthText(visit.height_mm, units)} ${unitName(units)} at the withers`,
        ]
          .filter(Boolean)
          .join(' · ')}
      </p>
      {lines
        .filter(([, text]) => text)
        .map(([what, text]) => (
          <p key={what}>
            <span className="text-soft">{what}</span> {text}
          </p>
        ))}
      {visit.notes.map((note, i) => (
        <p key={i} className="border-l-4 border-line pl-2">
          {note}
        </p>
      ))}
      {photos.length > 0 && (
        <div className="flex flex-wrap gap-2 pt-1">
          {photos.map((photo) => (
            <img
              key={photo.id}
              src={`/api/photos/${photo.id}.jpg`}
              alt={`Photo of ${dayText(photo.at_ms)}`}
              className="h-24"
              loading="lazy"
            />
          ))}
        </div>
      )}
    </li>
  );
}

/** Weights from the first to the last, with how far they went. */
function Weights({ visits }: { visits: Schemas['LifeVisit'][] }) {
  const weighed = visits.filter((v) => v.weight_kg != null).reverse();
  if (weighed.length === 0) return null;
  return (
    <p className="pt-2">
      <span className="text-soft">Weight</span>{' '}
      {weighed.map((v) => `${v.weight_kg} kg (${dayText(v.began_ms)})`).join(' · ')}
    </p>
  );
}

function Found(props: { found: Schemas['EarlierFound'][]; words: Schemas['FoundWord'][] }) {
  const { found, words } = props;
  if (found.length === 0) return null;
  return (
    <>
      <h2 className="pt-3 font-bold">Found on the body</h2>
      <ul>
        {found.map((one) => (
          <li key={one.found.id}>
            {dayText(one.began_ms)}: {words.find((w) => w.kind === one.found.kind)?.label}
            {one.found.word ? `, ${one.found.word}` : ''}
            {one.outcome ? `; ${one.outcome.replaceAll('_', ' ')}` : '; nothing said of it since'}.
          </li>
        ))}
      </ul>
    </>
  );
}
