import type { Schemas } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';
import { dayText, daysAfter, minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';

/** What the look laid over this dog asks, and cannot. */
export function LookLaid(props: {
  offer: Schemas['Offer'];
  /** What stands here answers an earlier question. */
  isAsking: boolean;
  onTurn: () => void;
}) {
  const { offer, isAsking } = props;
  const work = useVisitWork();
  const isTaken = work.evaluation.visit.look?.look === offer.look;
  const { upkeep } = offer;
  return (
    <section aria-label="The look laid over the dog" className="flex flex-col">
      <h2 className="text-2xl leading-tight font-bold">{offer.name}</h2>
      {offer.sentence && <p className="text-sm">{offer.sentence}</p>}
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 pt-2">
        <Fact name="at the table">{minutesText(offer.minutes)}</Fact>
        <Fact name="price">
          {offer.price_from} to {offer.price_to}
        </Fact>
        <Fact name="brushing">{upkeep.brushing_minutes_a_week} min a week</Fact>
        {offer.back && (
          <Fact name="back on">{dayText(daysAfter(work.beganMs, offer.back.days))}</Fact>
        )}
        {offer.lengths.map((l) => (
          <Fact key={l.label} name={l.label}>
            {l.text}
          </Fact>
        ))}
      </dl>
      {offer.knots_at.length > 0 && (
        <p className="pt-1 text-sm text-soft">Knots first {offer.knots_at.join(', ')}.</p>
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
      <div className="flex flex-wrap gap-2 pt-3">
        <Plain
          pressed={isTaken}
          disabled={isAsking}
          onClick={() =>
            work.say({ kind: 'look_chosen', choice: { look: offer.look, body_mm: null } })
          }
        >
          {isTaken ? 'Agreed' : isAsking ? 'Asking…' : 'Agree on this'}
        </Plain>
        <Plain onClick={props.onTurn}>Turn to the owner</Plain>
      </div>
    </section>
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
