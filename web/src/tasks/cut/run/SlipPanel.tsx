import { useState } from 'react';
import { api, ask, Failure, type Schemas } from '../../../shared/api/client';
import { Choice, Plain, Said } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { ZonePicker } from '../../../shared/ui/ZonePicker';
import { useVisitWork } from '../../../shared/visit/context';
import { HANDS } from './hands';
import { useSlipWay } from './useSlipWay';

type Zone = Schemas['Zone'];
type Hand = Schemas['Hand'];
type Cause = Schemas['SlipCause'];

/** Too much came off: where, on which side, what cut it, what is left, and the ways out. */
export function SlipPanel(props: {
  step: number;
  /** What the blade beneath the combs leaves. */
  underMm: number;
  zone: Zone | null;
  onZone: (zone: Zone) => void;
  onDone: () => void;
}) {
  const work = useVisitWork();
  const { zone } = props;
  const [hand, setHand] = useState<Hand | null>(null);
  const [cause, setCause] = useState<Cause | null>(null);
  const [leftMm, setLeft] = useState<number | null>(null);
  const [ways, setWays] = useState<Schemas['RescueOption'][] | null>(null);
  const [sorry, setSorry] = useState<string | null>(null);
  const choose = useSlipWay(props.onDone);
  const { house, kit, options } = work;
  const word = work.words.zones.find((z) => z.zone === zone);
  const isPair = word?.is_pair === true;
  const stood = work.evaluation.zones.find((z) => z.zone === zone);
  const isSaid = zone !== null && leftMm !== null && (!isPair || hand !== null);
  const blades = kit.filter((t) => t.kind === 'blade' && !t.retired && t.state !== 'tooth_missing');
  const cutBy = (by: Cause, mm: number | null) => {
    setWays(null);
    setCause(by);
    if (mm !== null) setLeft(mm);
  };
  const isBy = (by: Cause['by'], tool?: string) =>
    cause?.by === by && (cause.by !== 'blade' || cause.tool === tool);

  const find = () => {
    if (zone === null || leftMm === null) return;
    const slip = { zone, hand: isPair ? hand : null, left_mm: leftMm, cause };
    // Written down first: it happened, whether a way out is found or not.
    work.say({ kind: 'run', event: { event: 'slipped', slip } });
    const desk = { ...work.desk, options: { ...options, step: null } };
    ask(api.POST('/api/rescue', { body: { desk, slip } })).then(setWays, (error: unknown) => {
      if (!(error instanceof Failure)) return;
      setSorry(
        error.kind === 'offline'
          ? 'The slip is written down. Veliform does not answer: keep the line for now, the ways out come when it is back.'
          : error.message,
      );
    });
  };
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Too much came off</h2>
      <p className="pb-2">Stop. Nothing is lost yet: say where, and what cut it.</p>
      <ZonePicker
        zones={work.words.zones}
        value={zone}
        onChange={(z) => {
          setWays(null);
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
              setWays(null);
              setHand(side);
            }}
          />
        </div>
      )}
      <p className="pt-2 text-sm text-soft">What cut it</p>
      <div className="grid grid-cols-4 gap-1.5 pb-1" role="group" aria-label="What cut it">
        {blades.map((tool) => (
          <Plain
            key={tool.id}
            pressed={isBy('blade', tool.id)}
            onClick={() => cutBy({ by: 'blade', tool: tool.id }, tool.leaves_mm)}
          >
            {tool.printed}
          </Plain>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-1.5 pb-2" role="group" aria-label="Or">
        <Plain
          pressed={isBy('comb_fell_off')}
          onClick={() => cutBy({ by: 'comb_fell_off' }, props.underMm)}
        >
          The comb fell off
        </Plain>
        <Plain pressed={isBy('shears')} onClick={() => cutBy({ by: 'shears' }, null)}>
          Shears
        </Plain>
      </div>
      <LengthField
        name={`${work.visitId}.slip`}
        label="Left there"
        valueMm={leftMm}
        units={house.units}
        readOn={{
          place: word?.label ?? 'There',
          mostMm: stood?.most_mm ?? null,
        }}
        onValue={(mm) => {
          setWays(null);
          setLeft(mm);
        }}
        onAway={(typed) => {
          const where = [word?.label, hand].filter(Boolean).join(', ');
          work.say({
            kind: 'run',
            event: { event: 'noted', step: props.step, text: `Slip, ${where}: “${typed}” left` },
          });
          setSorry('The slip is written down as a note; say it again when Veliform is back.');
        }}
      />
      {sorry && <Said>{sorry}</Said>}
      {!ways && (
        <Plain onClick={find} disabled={!isSaid}>
          What now?
        </Plain>
      )}
      {ways && zone && leftMm !== null && (
        <ol>
          {ways.map((way, i) => (
            <li key={way.way} className="border-t border-line py-2">
              <p className={i === 0 ? 'font-bold' : ''}>{way.sentence}</p>
              <div className="pt-1">
                <Plain label={`Do this: ${way.sentence}`} onClick={() => choose(zone, leftMm, way)}>
                  Do this
                </Plain>
              </div>
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
