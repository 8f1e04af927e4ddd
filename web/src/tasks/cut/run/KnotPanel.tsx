import { useState } from 'react';
import { api, ask, Failure, type Schemas } from '../../../shared/api/client';
import { Choice, Plain, Said } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { ZonePicker } from '../../../shared/ui/ZonePicker';
import { useVisitWork } from '../../../shared/visit/context';
import { HANDS } from './hands';

type Zone = Schemas['Zone'];
type Hand = Schemas['Hand'];

/** A knot met in mid-groom: where, how far off the skin, and the ways out. */
export function KnotPanel(props: {
  step: number;
  zone: Zone | null;
  onZone: (zone: Zone) => void;
  onSay: (event: Schemas['RunEvent']) => void;
  onDone: () => void;
}) {
  const work = useVisitWork();
  const { zone } = props;
  const [hand, setHand] = useState<Hand | null>(null);
  const [offMm, setOff] = useState<number | null>(null);
  const [ways, setWays] = useState<Schemas['KnotOffer'][] | null>(null);
  const [sorry, setSorry] = useState<string | null>(null);
  const isPair = work.words.zones.find((z) => z.zone === zone)?.is_pair === true;
  const isSaid = zone !== null && offMm !== null && (!isPair || hand !== null);
  const find = () => {
    if (zone === null || offMm === null) return;
    const knot = { zone, hand: isPair ? hand : null, off_skin_mm: offMm };
    const desk = { ...work.desk, options: { ...work.options, step: null } };
    ask(api.POST('/api/knot', { body: { desk, knot } })).then(setWays, (error: unknown) => {
      if (!(error instanceof Failure)) return;
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
      knot: { zone, hand: isPair ? hand : null, off_skin_mm: offMm },
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
      <ZonePicker
        zones={work.words.zones}
        value={zone}
        onChange={(z) => {
          anew();
          props.onZone(z);
        }}
      />
      {isPair && (
        <div className="pt-2">
          <Choice
            label="On which side of the dog"
            columns={2}
            options={HANDS}
            value={hand}
            onChange={(side) => {
              anew();
              setHand(side);
            }}
          />
        </div>
      )}
      <LengthField
        name={`${work.visitId}.knot`}
        label="Off the skin"
        valueMm={offMm}
        units={work.house.units}
        onValue={(mm) => {
          anew();
          setOff(mm);
        }}
        onAway={(typed) => {
          const where = [work.words.zones.find((z) => z.zone === zone)?.label, hand];
          const text = `Knot, ${where.filter(Boolean).join(', ')}: “${typed}” off the skin`;
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
      {ways && (
        <ol>
          {ways.map((way, i) => (
            <li key={way.way} className="border-t border-line py-2">
              <p className={i === 0 ? 'font-bold' : ''}>{way.sentence}</p>
              <div className="pt-1">
                <Plain label={`Do this: ${way.sentence}`} onClick={() => take(way)}>
                  Do this
                </Plain>
              </div>
            </li>
          ))}
        </ol>
      )}
      <p className="py-2 text-soft">
        Never scissor a knot against the skin: slide a comb under, or clip beneath. The skin may be
        sore; short is kinder than a long brushing. Before a short clip the owner agrees.
      </p>
    </>
  );
}
