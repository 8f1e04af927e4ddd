import { useChoices } from '../../shared/api/choices';
import type { Schemas } from '../../shared/api/client';
import { type House, usePutHouse } from '../../shared/api/salon';
import { Choice, Plain, Said } from '../../shared/ui/controls';
import { shearsName } from '../../shared/kit/shears';

/** The pair touched on the rail: how it cuts, and off the rail with it. */
export function ShearsPanel({ pair, house }: { pair: Schemas['Shears']; house: House }) {
  const put = usePutHouse();
  const { shears_states } = useChoices();
  const name = `${shearsName(pair, house.units)} shears`;
  const others = house.shears.filter((one) => one.id !== pair.id);
  return (
    <section aria-label={name}>
      <h2 className="text-3xl font-bold">{name}</h2>
      {typeof pair.edge === 'object' && (
        <p className="text-soft">A close takes {pair.edge.toothed.takes_percent} % of the hair.</p>
      )}
      <Choice
        label="How it cuts"
        columns={2}
        options={shears_states ?? []}
        value={pair.state ?? 'sharp'}
        onChange={(state) => put.mutate({ ...house, shears: [...others, { ...pair, state }] })}
      />
      <div className="pt-2">
        <Plain label={`Take off: ${name}`} onClick={() => put.mutate({ ...house, shears: others })}>
          Take off
        </Plain>
      </div>
      {put.error && <Said>{put.error.message}</Said>}
    </section>
  );
}
