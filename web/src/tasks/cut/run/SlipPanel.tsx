import { useState } from 'react';
import { api, ask, Failure, type Schemas } from '../../../shared/api/client';
import { Plain, Said } from '../../../shared/ui/controls';
import { LengthField } from '../../../shared/ui/LengthField';
import { ZonePicker } from '../../../shared/ui/ZonePicker';
import { useVisitWork } from '../../../shared/visit/context';
import { NO_MARKS } from '../../../shared/visit/marks';

type Zone = Schemas['Zone'];

/** Too much came off: where, what is left, and the ways out, the least harm first. */
export function SlipPanel(props: {
  zone: Zone | null;
  onZone: (zone: Zone) => void;
  onDone: () => void;
}) {
  const work = useVisitWork();
  const { zone } = props;
  const [leftMm, setLeft] = useState<number | null>(null);
  const [ways, setWays] = useState<Schemas['RescueOption'][] | null>(null);
  const [sorry, setSorry] = useState<string | null>(null);
  const { dog, entries, house, kit, before, options } = work;
  const blades = kit.filter((t) => t.kind === 'blade' && !t.retired);
  const find = () => {
    if (!zone || leftMm === null) return;
    const desk = { dog, entries, house, kit, before, options: { ...options, step: null } };
    ask(api.POST('/api/rescue', { body: { desk, slip: { zone, left_mm: leftMm } } })).then(
      setWays,
      (error: unknown) => {
        if (error instanceof Failure) setSorry(error.message);
      },
    );
  };
  const choose = (way: Schemas['RescueOption']) => {
    if (!zone || leftMm === null) return;
    const { coat } = work.evaluation.visit;
    work.say({ kind: 'run', event: { event: 'slipped', slip: { zone, left_mm: leftMm } } });
    if (way.limit_mm != null) {
      const limit = { ...coat.limits[zone], not_longer_mm: way.limit_mm };
      work.say({ kind: 'limit_set', zone, limit });
    }
    if (way.shifts != null) {
      const stop = way.shifts;
      const line = work.words.lines.find((l) => l.stops.some((s) => s.stop === stop))?.line;
      if (line) work.say({ kind: 'line_moved', line, stop });
    }
    if (way.shows_mm >= 1) {
      const marks = { ...(coat.marks?.[zone] ?? NO_MARKS), hole_mm: leftMm };
      work.say({ kind: 'marks_set', zone, marks });
    }
    props.onDone();
  };
  return (
    <>
      <h2 className="text-[28px] leading-tight font-bold">Too much came off</h2>
      <p className="pb-2">Stop. Nothing is lost yet: say where and what is left.</p>
      <ZonePicker
        zones={work.words.zones}
        value={zone}
        onChange={(z) => {
          setWays(null);
          props.onZone(z);
        }}
      />
      <LengthField
        name={`${work.visitId}.slip`}
        label="Left there"
        valueMm={leftMm}
        units={house.units}
        onValue={(mm) => {
          setWays(null);
          setLeft(mm);
        }}
      />
      <p className="text-sm text-soft">Or what cut it:</p>
      <div className="grid grid-cols-4 gap-1.5 pb-3" role="group" aria-label="What cut it">
        {blades.map((tool) => (
          <Plain
            key={tool.id}
            pressed={leftMm === tool.leaves_mm}
            onClick={() => {
              setWays(null);
              setLeft(tool.leaves_mm);
            }}
          >
            {tool.printed}
          </Plain>
        ))}
      </div>
      {sorry && <Said>{sorry}</Said>}
      {!ways && (
        <Plain onClick={find} disabled={!zone || leftMm === null}>
          What now?
        </Plain>
      )}
      {ways && (
        <ol>
          {ways.map((way, i) => (
            <li key={way.way} className="border-t border-line py-2">
              <p className={i === 0 ? 'font-bold' : ''}>{way.sentence}</p>
              <div className="pt-1">
                <Plain onClick={() => choose(way)}>
                  {i === 0 ? 'Least harm: do this' : 'Do this'}
                </Plain>
              </div>
            </li>
          ))}
        </ol>
      )}
    </>
  );
}
