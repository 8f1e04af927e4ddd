import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { usePutHouse } from '../../shared/api/salon';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Cost } from './Cost';
import { OwnLookForm } from './OwnLookForm';

type OwnLook = Schemas['OwnLook'];

/** The salon's own looks: chosen like any other, copied from what stands here, edited. */
export function OwnLooks() {
  const work = useVisitWork();
  const { house, evaluation, words } = work;
  const { visit } = evaluation;
  const put = usePutHouse();
  const [name, setName] = useState('');
  const chosen = visit.own_look ?? null;
  const keep = (looks: OwnLook[]) => put.mutate({ ...house, own_looks: looks });
  const change = (own: OwnLook) => {
    keep(house.own_looks.map((look) => (look.id === own.id ? own : look)));
    work.say({ kind: 'own_look_set', own });
  };
  const copy = () => {
    const own: OwnLook = {
      ...chosen,
      id: crypto.randomUUID(),
      name: name.trim(),
      base: visit.look?.look ?? evaluation.looks?.[0]?.look ?? 'one_length',
      body_mm: visit.look?.body_mm ?? null,
      lines: visit.lines ?? {},
    };
    put.mutate(
      { ...house, own_looks: [...house.own_looks, own] },
      {
        onSuccess: () => {
          work.say({ kind: 'own_look_set', own });
          setName('');
        },
      },
    );
  };
  return (
    <>
      {house.own_looks.length > 0 && <MarginHead>Our own looks</MarginHead>}
      <ul>
        {house.own_looks.map((own) => (
          <li key={own.id} className="pb-3" data-own-look={own.name}>
            <button
              type="button"
              aria-pressed={chosen?.id === own.id}
              onClick={() => work.say({ kind: 'own_look_set', own })}
              className="block w-full border-2 border-ink p-3 text-left aria-pressed:bg-ink aria-pressed:text-page"
            >
              <span className="block text-xl font-bold">{own.name}</span>
              <span className="block">
                from {words.looks.find((l) => l.look === own.base)?.name ?? own.base}
              </span>
            </button>
            {chosen?.id === own.id && work.plan && <Cost plan={work.plan} />}
            {chosen?.id === own.id && (
              <OwnLookForm
                own={own}
                onChange={change}
                onRemove={() => {
                  keep(house.own_looks.filter((look) => look.id !== own.id));
                  work.say({ kind: 'own_look_set', own: null });
                }}
              />
            )}
          </li>
        ))}
      </ul>
      {put.error && <Said>{put.error.message}</Said>}
      <label className="block">
        <span className="text-sm text-soft">
          Copy the look that stands here, its lines included, under a name of our own
        </span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3"
          maxLength={40}
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <div className="pt-2 pb-3">
        <Plain disabled={name.trim() === ''} onClick={copy}>
          Make it our own
        </Plain>
      </div>
    </>
  );
}
