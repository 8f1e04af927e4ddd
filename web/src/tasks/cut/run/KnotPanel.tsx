import { useState } from 'react';
import { api, ask, Failure, isAway, type Schemas } from '../../../shared/api/client';
import { Plain, Said } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { lengthText } from '../../../shared/units/show';
import { useVisitWork } from '../../../shared/visit/context';
import { WaysOut } from './WaysOut';
import { WhereOnDog, whereOf } from './WhereOnDog';

type Zone = Schemas['Zone'];

/** A knot met in mid-groom: where, how far off the skin, and the ways out. */
export function KnotPanel(props: {
  step: number;
  /** Ways out at that zone, worked out before. */
  ahead: Schemas['WaysAhead'] | null;
  zone: Zone | null;
  onZone: (zone: Zone) => void;
  onSay: (event: Schemas['RunEvent']) => void;
  onDone: () => void;
}) {
  const work = useVisitWork();
  const { zone } = props;
  const [side, setSide] = useState<Schemas['Hand'] | null>(null);
  const [offMm, setOff] = useState<number | null>(null);
  const [ways, setWays] = useState<Schemas['KnotOffer'][] | null>(null);
  const [sorry, setSorry] = useState<string | null>(null);
  const where = whereOf(work.words.zones, zone, side);
  const isSaid = where.isSaid && offMm !== null;
  const mostMm = work.evaluation.zones.find((z) => z.zone === zone)?.most_mm ?? null;
  const begins = work.words.knots_begin_mm.filter((mm) => mostMm === null || mm < mostMm);
  const find = () => {
    if (zone === null || offMm === null) return;
    const knot = { zone, hand: where.hand, off_skin_mm: offMm };
    // One that begins between two of them is helped by the nearer to the skin.
    const travelling = props.ahead?.knots.findLast((k) => k.off_skin_mm <= offMm);
    const desk = { ...work.desk, options: { ...work.options, step: null } };
    setSorry(null);
    ask(api.POST('/api/knot', { body: { desk, knot } })).then(setWays, (error: unknown) => {
      if (!(error instanceof Failure)) return;
      if (isAway(error) && travelling) setWays(travelling.ways);
      else
        setSorry(
          error.kind === 'offline'
            ? 'Veliform does not answer: brush it if the dog bears it, else slide a comb under and cut above. Note it at the step.'
            : error.message,
        );
    });
  };
  const take = (offer: Schemas['KnotOffer']) => {
    if (zone === null || offMm === null) return;
    props.onSay({
      event: 'knot_met',
      step: props.step,
      knot: { zone, hand: where.hand, off_skin_mm: offMm },
      way: offer.way,
      leaves_mm: offer.leaves_mm,
    });
    props.onDone();
  };
  const anew = () => setWays(null);
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">A knot here</h2>
      <p className="pb-2">Feel where it begins: how far off the skin is it?</p>
      <WhereOnDog
        where={where}
        onZone={(z) => {
          anew();
          props.onZone(z);
        }}
        onHand={(side) => {
          anew();
          setSide(side);
        }}
      />
      {zone !== null && (
        <div className="flex flex-wrap gap-1.5 pt-2" role="group" aria-label="It begins">
          {begins.map((mm) => (
            <Plain
              key={mm}
              pressed={offMm === mm}
              onClick={() => {
                anew();
                setOff(mm);
              }}
            >
              {mm === 0 ? 'on the skin' : `${lengthText(mm, work.house.units)} off it`}
            </Plain>
          ))}
        </div>
      )}
      <LengthField
        name={`${work.visitId}.knot`}
        label="Off the skin"
        valueMm={offMm}
        units={work.house.units}
        readOn={{
          place: where.word?.label ?? 'There',
          mostMm,
        }}
        onValue={(mm) => {
          anew();
          setOff(mm);
        }}
        onAway={(typed) => {
          const at = [where.word?.label, where.hand].filter(Boolean).join(', ');
          const text = `Knot, ${at}: “${typed}” off the skin`;
          props.onSay({ event: 'noted', step: props.step, text });
          setSorry('The knot is written down as a note; say it again when Veliform is back.');
        }}
      />
      {sorry && <Said>{sorry}</Said>}
      {!ways && (
        <Plain onClick={find} disabled={!isSaid}>
          What now?
        </Plain>
      )}
      {ways && <WaysOut ways={ways} onTake={take} />}
      <p className="py-2 text-soft">
        Never scissor a knot against the skin: slide a comb under, or clip beneath. The skin may be
        sore; short is kinder than a long brushing. Before a short clip the owner agrees.
      </p>
    </>
  );
}
