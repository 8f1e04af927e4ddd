import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { EmptyKit } from '../../shared/kit/EmptyKit';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { AskedOnDog } from './AskedOnDog';
import { InTheirWords } from './InTheirWords';
import { LookLaid } from './LookLaid';
import { LookRail } from './LookRail';
import { OwnerSide } from './OwnerSide';
import { Parts } from './Parts';
import { TalkTabs } from './TalkTabs';
import { useOffers } from './useOffers';
import { useTalk } from './useTalk';

type LookId = Schemas['LookId'];

/** So many looks of the rail are seen without moving it: those that changed their order are said. */
const AT_A_GLANCE = 3;

/** The talk with the owner: six questions, and this dog with one look laid over it, by touch. */
export function TalkScreen() {
  const work = useVisitWork();
  const said = useTalk();
  const [search, setSearch] = useSearchParams();
  const asked = search.get('look') as LookId | null;
  const [first, setFirst] = useState<LookId | null>(work.evaluation.visit.look?.look ?? null);
  const { answer: offers, isAsking } = useOffers(asked ?? first);
  // The order stays as it first was until somebody asks for another: nothing changes place under the finger.
  const [order, setOrder] = useState<LookId[]>([]);
  const best = offers?.offers.map((o) => o.look) ?? [];
  if (order.length === 0 && best.length > 0) setOrder(best);
  if (first === null && best[0]) setFirst(best[0]);
  const laid = asked ?? first;
  const offer = offers?.offers.find((o) => o.look === laid);
  const isBestFirst = best.slice(0, AT_A_GLANCE).every((look, i) => order[i] === look);
  const put = (name: string, value: string | null) =>
    setSearch(
      (now) => {
        if (value === null) now.delete(name);
        else now.set(name, value);
        return now;
      },
      { replace: true },
    );
  const lay = (look: LookId) => put('look', look);
  return (
    <WorkScreen
      title="Talk"
      sheet={
        <AskedOnDog
          name={offer?.name}
          shown={offers?.shown.find((s) => s.look === laid)}
          said={said}
        />
      }
      rail={offers && laid && <LookRail offers={offers} order={order} laid={laid} onLay={lay} />}
      foot={
        <>
          <p>Looks, best first</p>
          {isAsking && <p role="status">Asking…</p>}
          {!isAsking && !isBestFirst && (
            <Plain
              onClick={() => {
                setOrder(best);
                if (best[0]) lay(best[0]);
              }}
            >
              Show the best
            </Plain>
          )}
          {work.evaluation.visit.look && (
            <a
              className="flex min-h-12 items-center font-bold text-chalk underline"
              href={`/api/visits/${work.visitId}/agreement.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              What is agreed, to sign
            </a>
          )}
        </>
      }
      margin={
        <>
          <TalkTabs />
          <EmptyKit />
          {offer && <LookLaid offer={offer} isAsking={isAsking} onTurn={() => put('owner', '')} />}
          <InTheirWords {...said} />
          {offers && <Parts parts={offers.parts} />}
          {offers && laid && search.get('owner') !== null && (
            <OwnerSide {...{ offers, order, laid }} onLay={lay} onBack={() => put('owner', null)} />
          )}
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/hands`}>Feel the dog</BigLink>}
    />
  );
}
