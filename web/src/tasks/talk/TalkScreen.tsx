import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { MarginHead, Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { LooksBeside } from './LooksBeside';
import { Parts } from './Parts';
import { Questions } from './Questions';
import { TalkTabs } from './TalkTabs';
import { useOffers } from './useOffers';

type LookId = Schemas['LookId'];

/** As many as fit side by side at a size an owner can judge. */
const BESIDE = 3;

/** The talk with the owner: six questions, and this dog in up to three looks. */
export function TalkScreen() {
  const work = useVisitWork();
  const [search, setSearch] = useSearchParams();
  const picked = (search.get('looks') ?? '').split(',').filter(Boolean) as LookId[];
  // The first three stay where they are until somebody asks for others: nothing changes place under
  // the finger.
  const [first, setFirst] = useState<LookId[]>([]);
  const asked = picked.length > 0 ? picked : first;
  const { answer: offers, isAsking } = useOffers(asked);
  const shown = offers?.shown.map((s) => s.look) ?? [];
  if (asked.length === 0 && shown.length > 0) setFirst(shown);
  const best = offers?.offers.slice(0, BESIDE).map((o) => o.look) ?? [];
  const isBestShown = best.every((look) => shown.includes(look));
  const show = (look: LookId) => {
    const next = shown.includes(look)
      ? shown.filter((l) => l !== look)
      : [...shown.slice(-(BESIDE - 1)), look];
    setSearch({ looks: next.join(',') }, { replace: true });
  };
  return (
    <WorkScreen
      title="Talk"
      sheet={<LooksBeside offers={offers} isAsking={isAsking} />}
      foot={
        work.evaluation.visit.look && (
          <a
            className="flex min-h-12 items-center font-bold text-chalk underline"
            href={`/api/visits/${work.visitId}/owner-card.pdf`}
            target="_blank"
            rel="noreferrer"
          >
            Owner card, to print
          </a>
        )
      }
      margin={
        <>
          <TalkTabs />
          <Questions />
          {offers && <Parts parts={offers.parts} />}
          <MarginHead>Looks, best first</MarginHead>
          {isAsking ? (
            <p role="status">Asking…</p>
          ) : (
            !isBestShown && (
              <Plain onClick={() => setSearch({ looks: best.join(',') }, { replace: true })}>
                Show the best three
              </Plain>
            )
          )}
          <ol>
            {offers?.offers.map((offer, i) => (
              <li key={offer.look}>
                <button
                  type="button"
                  aria-pressed={shown.includes(offer.look)}
                  className="block min-h-12 w-full border-t border-line py-2 text-left aria-pressed:border-l-8 aria-pressed:border-l-ink aria-pressed:pl-2"
                  onClick={() => show(offer.look)}
                >
                  <span className="block font-bold">
                    {i + 1} {offer.name}
                  </span>
                  {offer.sentence && (
                    <span className="block text-sm text-soft">{offer.sentence}</span>
                  )}
                </button>
              </li>
            ))}
          </ol>
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/hands`}>Feel the dog</BigLink>}
    />
  );
}
