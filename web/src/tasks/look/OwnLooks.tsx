import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, AS_IT_IS, type Schemas } from '../../shared/api/client';
import { useOwnLooks } from '../../shared/looks/useOwnLooks';
import { BringFile } from '../../shared/ui/BringFile';
import { MarginHead, Plain, Said } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { Cost } from './Cost';
import { OwnLookForm } from './OwnLookForm';

type OwnLook = Schemas['OwnLook'];

/** The salon's own looks: chosen like any other, copied from what stands here, edited, put away. */
export function OwnLooks() {
  const work = useVisitWork();
  const { evaluation, words } = work;
  const { visit } = evaluation;
  const looks = useOwnLooks();
  const queries = useQueryClient();
  const [name, setName] = useState('');
  const { chosen } = looks;
  const offered = looks.all.filter((own) => !own.is_put_away || own.id === chosen?.id);
  const away = looks.all.filter((own) => own.is_put_away);
  const copy = () => {
    const own: OwnLook = {
      ...chosen,
      id: crypto.randomUUID(),
      name: name.trim(),
      base: visit.look?.look ?? evaluation.looks?.[0]?.look ?? 'one_length',
      body_mm: visit.look?.body_mm ?? null,
      lines: visit.lines ?? {},
      is_put_away: false,
    };
    looks.add(own, () => setName(''));
  };
  const bring = async (text: string) => {
    const look = await ask(api.POST('/api/looks/import', { body: text, ...AS_IT_IS }));
    await queries.invalidateQueries({ queryKey: ['house'] });
    return `${look.name} is here.`;
  };
  return (
    <>
      {offered.length > 0 && <MarginHead>Our own looks</MarginHead>}
      <ul>
        {offered.map((own) => (
          <li key={own.id} className="pb-3" data-own-look={own.name}>
            <button
              type="button"
              aria-pressed={chosen?.id === own.id}
              onClick={() => looks.choose(own)}
              className="block w-full border-2 border-ink p-3 text-left aria-pressed:taped"
            >
              <span className="block text-xl font-bold">{own.name}</span>
              <span className="block font-normal">
                from {words.looks.find((l) => l.look === own.base)?.name ?? own.base}
              </span>
            </button>
            {chosen?.id === own.id && work.plan && <Cost plan={work.plan} />}
            {chosen?.id === own.id && (
              <OwnLookForm
                own={own}
                onChange={looks.change}
                onPutAway={() => {
                  looks.putAway(own, true);
                  looks.choose(null);
                }}
              />
            )}
          </li>
        ))}
      </ul>
      {looks.error && <Said>{looks.error.message}</Said>}
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
      <div className="flex flex-wrap gap-2 pt-2 pb-3">
        <Plain disabled={name.trim() === ''} onClick={copy}>
          Make it our own
        </Plain>
        <BringFile label="Bring in a look file" kind="Look file" bring={bring} />
      </div>
      {away.length > 0 && (
        <section aria-label="Looks put away" className="pb-3">
          <MarginHead>Put away</MarginHead>
          <ul>
            {away.map((own) => (
              <li key={own.id} className="flex items-center justify-between gap-3">
                {own.name}
                <Plain
                  label={`${own.name}: bring it back`}
                  onClick={() => looks.putAway(own, false)}
                >
                  Bring it back
                </Plain>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
