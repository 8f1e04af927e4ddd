import type { Schemas } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';
import { dayText, daysAfter, minutesText } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { Promised } from './Promised';

/** What fills a promise's tape: four hours at the table, as much brushing and waiting as the talk offers. */
const LONG_GROOM_MIN = 240;
const MUCH_BRUSHING_MIN = 60;
const LONG_WAIT_WEEKS = 12;

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
  const { talk } = work.evaluation.visit;
  return (
    <section aria-label="The look laid over the dog" className="flex flex-col">
      <h2 className="text-2xl leading-tight font-bold">{offer.name}</h2>
      {offer.sentence && <p className="text-sm">{offer.sentence}</p>}
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 pt-2">
        <Promised name="at the table" share={offer.minutes / LONG_GROOM_MIN}>
          {minutesText(offer.minutes)}
        </Promised>
        <Fact name="price">
          {offer.price_from} to {offer.price_to}
        </Fact>
        <Promised
          name="brushing"
          share={upkeep.brushing_minutes_a_week / MUCH_BRUSHING_MIN}
          said={
            talk?.brushing_minutes_a_week == null
              ? null
              : {
                  share: talk.brushing_minutes_a_week / MUCH_BRUSHING_MIN,
                  words: `the owner brushes ${talk.brushing_minutes_a_week}`,
                }
          }
        >
          {upkeep.brushing_minutes_a_week} min a week
        </Promised>
        {offer.back && (
          <Promised
            name="back on"
            share={offer.back.days / (7 * LONG_WAIT_WEEKS)}
            said={
              talk?.weeks_to_next == null
                ? null
                : {
                    share: talk.weeks_to_next / LONG_WAIT_WEEKS,
                    words: `the owner comes in ${talk.weeks_to_next} weeks`,
                  }
            }
          >
            {dayText(daysAfter(work.beganMs, offer.back.days))}
          </Promised>
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
