import { useState } from 'react';
import { api, ask, Failure, isAway, type Schemas } from '../../../shared/api/client';
import { Plain, Said } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { useVisitWork } from '../../../shared/visit/context';
import { useSlipWay } from './useSlipWay';
import { WaysOut } from './WaysOut';
import { WhereOnDog, whereOf } from './WhereOnDog';

type Zone = Schemas['Zone'];
type Cause = Schemas['SlipCause'];

/** Too much came off: where, on which side, what cut it, what is left, and the ways out. */
export function SlipPanel(props: {
  step: number;
  /** What the blade beneath the combs leaves. */
  underMm: number;
  /** Ways out at that zone, worked out before. */
  ahead: Schemas['WaysAhead'] | null;
  zone: Zone | null;
  onZone: (zone: Zone) => void;
  onDone: () => void;
}) {
  const work = useVisitWork();
  const { zone } = props;
  const [side, setSide] = useState<Schemas['Hand'] | null>(null);
  const [cause, setCause] = useState<Cause | null>(null);
  const [leftMm, setLeft] = useState<number | null>(null);
  const [ways, setWays] = useState<Schemas['RescueOption'][] | null>(null);
  const [sorry, setSorry] = useState<string | null>(null);
  const choose = useSlipWay(props.onDone);
  const { house, kit, options } = work;
  const where = whereOf(work.words.zones, zone, side);
  const stood = work.evaluation.zones.find((z) => z.zone === zone);
  const isSaid = where.isSaid && leftMm !== null;
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
    const slip = { zone, hand: where.hand, left_mm: leftMm, cause };
    // Written down first: it happened, whether a way out is found or not.
    work.say({ kind: 'run', event: { event: 'slipped', slip } });
    // What leaves a little more is helped by the ways of the shorter.
    const travelling = props.ahead?.slips.findLast((s) => s.left_mm <= leftMm);
    const desk = { ...work.desk, options: { ...options, step: null } };
    ask(api.POST('/api/rescue', { body: { desk, slip } })).then(setWays, (error: unknown) => {
      if (!(error instanceof Failure)) return;
      if (isAway(error) && travelling) setWays(travelling.ways);
      else
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
      <WhereOnDog
        where={where}
        onZone={(z) => {
          setWays(null);
          props.onZone(z);
        }}
        onHand={(hand) => {
          setWays(null);
          setSide(hand);
        }}
      />
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
          place: where.word?.label ?? 'There',
          mostMm: stood?.most_mm ?? null,
        }}
        onValue={(mm) => {
          setWays(null);
          setLeft(mm);
        }}
        onAway={(typed) => {
          const at = [where.word?.label, where.hand].filter(Boolean).join(', ');
          work.say({
            kind: 'run',
            event: { event: 'noted', step: props.step, text: `Slip, ${at}: “${typed}” left` },
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
        <WaysOut ways={ways} onTake={(way) => choose(zone, leftMm, way)} />
      )}
    </>
  );
}
