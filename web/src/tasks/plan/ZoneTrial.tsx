import { useCallback, useState } from 'react';
import { api, ask, Failure, type Schemas } from '../../shared/api/client';
import { Plain, Said } from '../../shared/ui/controls';
import { lengthText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';

type Zone = Schemas['Zone'];
type Wish = Schemas['Wish'];

interface Trial {
  answer: Schemas['WhatIf'] | null;
  wish: Wish | null;
  sorry: string | null;
  attempt: (zone: Zone, wish: Wish) => void;
  drop: () => void;
}

/** One touch on a zone shows the dog as it would be, before anything is decided. */
export function useWhatIf(): Trial {
  const work = useVisitWork();
  const [answer, setAnswer] = useState<Schemas['WhatIf'] | null>(null);
  const [wish, setWish] = useState<Wish | null>(null);
  const [sorry, setSorry] = useState<string | null>(null);
  const { desk, options } = work;
  const drop = useCallback(() => {
    setAnswer(null);
    setWish(null);
    setSorry(null);
  }, []);
  const attempt = (zone: Zone, wanted: Wish) => {
    setWish(wanted);
    ask(
      api.POST('/api/what-if', {
        body: { desk: { ...desk, options }, zone, wish: wanted },
      }),
    ).then(setAnswer, (error: unknown) => {
      if (error instanceof Failure) setSorry(error.message);
    });
  };
  return { answer, wish, sorry, attempt, drop };
}

export function ZoneTrial(props: { zone: Zone; plan: Schemas['PlanReport']; trial: Trial }) {
  const work = useVisitWork();
  const { zone, plan, trial } = props;
  const units = plan.units.filter((u) => u.zone === zone);
  const now = work.evaluation.zones.find((z) => z.zone === zone);
  const limit = work.evaluation.visit.coat.limits[zone];
  const system = work.house.units;
  const decide = () => {
    const mm = now?.length_mm ?? 0;
    work.say({
      kind: 'limit_set',
      zone,
      limit: trial.wish === 'leave' ? { not_shorter_mm: mm } : { not_longer_mm: 0 },
    });
    trial.drop();
  };
  return (
    <div className="pt-2">
      {units.map((unit) => (
        <p key={unit.unit}>
          <b className="font-mono text-lg">{unit.text}</b> {unitName(system)} {unit.label}, from{' '}
          {lengthText(unit.now_mm, system)}
          <span className="block text-sm text-soft">{unit.tool}</span>
        </p>
      ))}
      <div className="grid grid-cols-2 gap-2 pt-2">
        <Plain onClick={() => trial.attempt(zone, 'take_off')} pressed={trial.wish === 'take_off'}>
          Take it off
        </Plain>
        <Plain onClick={() => trial.attempt(zone, 'leave')} pressed={trial.wish === 'leave'}>
          Leave it
        </Plain>
      </div>
      {trial.sorry && <Said>{trial.sorry}</Said>}
      {trial.answer && (
        <div className="pt-2" role="status">
          <p>{trial.answer.sentence}</p>
          <div className="grid grid-cols-2 gap-2 pt-2">
            <Plain onClick={decide}>Decide so</Plain>
            <Plain onClick={trial.drop}>As planned</Plain>
          </div>
        </div>
      )}
      {limit && (
        <div className="pt-2">
          <Plain onClick={() => work.say({ kind: 'limit_set', zone, limit: {} })}>
            Drop the limit here
          </Plain>
        </div>
      )}
    </div>
  );
}
