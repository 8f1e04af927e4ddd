import type { Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { Plain } from '../../shared/ui/controls';
import { dayText, daysAfter, minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';

/** Up to three looks on this dog, at one scale, with what each asks and cannot. */
export function LooksBeside(props: { offers: Schemas['Offers'] | null; isAsking: boolean }) {
  const { offers, isAsking } = props;
  if (!offers) return <p className="flex-1">Trying every look on this dog…</p>;
  if (offers.shown.length === 0)
    return <p className="flex-1">Touch a look in the list to see it on this dog.</p>;
  return (
    <div className="grid min-h-0 flex-1 auto-cols-fr grid-flow-col gap-2 overflow-y-auto max-[800px]:grid-flow-row max-[800px]:gap-6">
      {offers.shown.map(({ look, drawing }) => {
        const offer = offers.offers.find((o) => o.look === look);
        return offer && <Beside key={look} {...{ offer, drawing, isAsking }} />;
      })}
    </div>
  );
}

function Beside(props: {
  offer: Schemas['Offer'];
  drawing: Schemas['Drawing'];
  /** What stands here answers an earlier question. */
  isAsking: boolean;
}) {
  const { offer, drawing, isAsking } = props;
  const work = useVisitWork();
  const isTaken = work.evaluation.visit.look?.look === offer.look;
  const { upkeep } = offer;
  return (
    <article aria-label={offer.name} className="flex flex-col">
      <div className="bg-sheet">
        <Drawing drawing={drawing} />
      </div>
      <h2 className="pt-2 text-xl leading-tight font-bold">{offer.name}</h2>
      {offer.sentence && <p className="text-sm">{offer.sentence}</p>}
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 pt-2 text-sm">
        {offer.lengths.map((l) => (
          <Fact key={l.label} name={l.label}>
            {l.text}
          </Fact>
        ))}
        <Fact name="at the table">{minutesText(offer.minutes)}</Fact>
        <Fact name="price">
          {offer.price_from} to {offer.price_to}
        </Fact>
        <Fact name="brushing">{upkeep.brushing_minutes_a_week} min a week</Fact>
        {offer.back && (
          <Fact name="back on">{dayText(daysAfter(work.beganMs, offer.back.days))}</Fact>
        )}
      </dl>
      {offer.knots_at.length > 0 && (
        <p className="text-sm text-soft">Knots first {offer.knots_at.join(', ')}.</p>
      )}
      {offer.cannot.length > 0 && (
        <>
          <p className="pt-2 text-sm font-bold">Not on this dog today</p>
          <ul className="text-sm">
            {offer.cannot.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-auto pt-2 pb-1">
        <Plain
          pressed={isTaken}
          disabled={isAsking}
          onClick={() =>
            work.say({ kind: 'look_chosen', choice: { look: offer.look, body_mm: null } })
          }
        >
          {isTaken ? 'Agreed' : isAsking ? 'Asking…' : 'Agree on this'}
        </Plain>
      </div>
    </article>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="font-mono">{children}</dd>
    </>
  );
}
