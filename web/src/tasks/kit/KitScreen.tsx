import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { nowMs } from '../../shared/clock/now';
import { api, ask, Failure, type Schemas } from '../../shared/api/client';
import {
  UNDER,
  useHouse,
  useKit,
  usePutHouse,
  type House,
  type Tool,
} from '../../shared/api/salon';
import { Choice, MarginHead, Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { PageHead } from '../../shared/ui/PageHead';
import { Clippers } from './Clippers';
import { FITS } from './fits';
import { ToolTaught } from './ToolTaught';
import { useSalonLog } from './useSalonLog';

const STATES: { value: NonNullable<Tool['state']>; label: string }[] = [
  { value: 'fine', label: 'fine' },
  { value: 'warm_running', label: 'runs warm' },
  { value: 'dull', label: 'dull' },
  { value: 'tooth_missing', label: 'tooth missing' },
];
const KINDS: { value: Tool['kind']; label: string }[] = [
  { value: 'blade', label: 'Blade' },
  { value: 'comb', label: 'Comb' },
];
/** The kit: blades and combs by the length each leaves; the salon's settings. */
export function KitScreen() {
  const kit = useKit();
  const house = useHouse();
  const log = useSalonLog();
  const putHouse = usePutHouse();
  useEffect(() => {
    document.title = 'Kit · Veliform';
  }, []);
  const failure = [kit.error, house.error].find((e) => e instanceof Failure);
  if (failure instanceof Failure)
    return <FailedPage failure={failure} again={() => window.location.reload()} />;
  if (!kit.data || !house.data) return <LoadingPage />;
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>Kit</PageHead>
      <main className="flex min-h-0 flex-1 flex-wrap gap-x-10 overflow-y-auto p-5">
        <section className="min-w-0 flex-[2_1_560px]" aria-label="Blades and combs">
          <p className="pb-2 text-soft">
            Plans use only what is here and fit. A comb’s length is true over a 30.
          </p>
          <ul>
            {kit.data.map((tool) => (
              <ToolRow
                key={tool.id}
                tool={tool}
                units={house.data.units}
                log={log}
                hasFits={house.data.clippers.length > 0 || (tool.fits ?? 'any') !== 'any'}
              />
            ))}
          </ul>
        </section>
        <section className="flex-[1_1_300px]" aria-label="Add and settings">
          <AddTool units={house.data.units} />
          <Clippers house={house.data} onHouse={putHouse.mutate} />
          {putHouse.error && <Said>{putHouse.error.message}</Said>}
          {log && log.buy.length > 0 && (
            <>
              <MarginHead>What could I buy?</MarginHead>
              <ul className="list-outside list-disc pl-5">
                {log.buy.map((buy) => (
                  <li key={buy.leaves_mm}>{buy.sentence}</li>
                ))}
              </ul>
            </>
          )}
          <Settings house={house.data} />
        </section>
      </main>
    </div>
  );
}

function usePutTool() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (tool: Tool) =>
      ask(api.PUT('/api/kit/{id}', { params: { path: { id: tool.id } }, body: tool })),
    onSuccess: (kit) => queries.setQueryData(['kit'], kit),
  });
}

type Units = House['units'];

function ToolRow(props: {
  tool: Tool;
  units: Units;
  log: Schemas['SalonLog'] | null;
  /** Whether clippers are named, so that what fits which matters. */
  hasFits: boolean;
}) {
  const { tool, units, log, hasFits } = props;
  const put = usePutTool();
  return (
    <li className={`relative border-t border-line py-1 ${tool.retired ? 'text-soft' : ''}`}>
      <div className="flex flex-wrap items-center gap-3">
        <span className="w-40 text-lg font-bold">
          {tool.printed} <span className="font-normal">{tool.kind}</span>
        </span>
        <div className="w-56">
          <LengthField
            name={`tool.${tool.id}`}
            label="leaves"
            valueMm={tool.leaves_mm}
            units={units}
            onValue={(mm) => {
              if (mm !== null) put.mutate({ ...tool, leaves_mm: mm });
            }}
          />
        </div>
        <label>
          <span className="sr-only">
            State of the {tool.printed} {tool.kind}
          </span>
          <select
            className="h-12 border border-ink bg-sheet px-2"
            value={tool.state ?? 'fine'}
            disabled={tool.retired ?? false}
            onChange={(e) => {
              const state = STATES.find((s) => s.value === e.target.value)?.value;
              if (state) put.mutate({ ...tool, state });
            }}
          >
            {STATES.map((s) => (
              <option key={s.value} value={s.value}>
                {s.label}
              </option>
            ))}
          </select>
        </label>
        {hasFits && (
          <label>
            <span className="sr-only">
              What the {tool.printed} {tool.kind} fits
            </span>
            <select
              className="h-12 border border-ink bg-sheet px-2"
              value={tool.fits ?? 'any'}
              onChange={(e) => {
                const fits = FITS.find((f) => f.value === e.target.value)?.value;
                if (fits) put.mutate({ ...tool, fits });
              }}
            >
              {FITS.map((f) => (
                <option key={f.value} value={f.value}>
                  {f.label}
                </option>
              ))}
            </select>
          </label>
        )}
        {tool.kind === 'blade' && tool.fits === 'adjustable' && (
          <div className="w-64">
            <LengthField
              name={`tool.to.${tool.id}`}
              label="set to at most"
              valueMm={tool.to_mm ?? null}
              units={units}
              onValue={(to_mm) => put.mutate({ ...tool, to_mm })}
            />
          </div>
        )}
        {tool.kind === 'blade' && !tool.retired && tool.state !== 'tooth_missing' && (
          <Plain
            label={`Sharpened: the ${tool.printed} blade, today`}
            onClick={() => put.mutate({ ...tool, state: 'fine', sharpened_ms: nowMs() })}
          >
            Sharpened
          </Plain>
        )}
        <Plain
          label={`${tool.retired ? 'Take back' : 'Retire'} the ${tool.printed} ${tool.kind}`}
          onClick={() => put.mutate({ ...tool, retired: !tool.retired })}
        >
          {tool.retired ? 'Take back' : 'Retire'}
        </Plain>
      </div>
      {log && (
        <ToolTaught
          tool={tool}
          log={log}
          units={units}
          onLeaves={(leaves_mm) => put.mutate({ ...tool, leaves_mm })}
        />
      )}
      {put.error && <Said>{put.error.message}</Said>}
    </li>
  );
}

function AddTool({ units }: { units: Units }) {
  const put = usePutTool();
  const [kind, setKind] = useState<Tool['kind']>('comb');
  const [printed, setPrinted] = useState('');
  const [mm, setMm] = useState<number | null>(null);
  const [round, setRound] = useState(0);
  return (
    <>
      <MarginHead>Add one</MarginHead>
      <Choice label="Kind" options={KINDS} value={kind} onChange={setKind} columns={2} />
      <label className="block pt-2">
        <span className="text-sm text-soft">What is printed on it</span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3"
          value={printed}
          onChange={(e) => setPrinted(e.target.value)}
        />
      </label>
      <LengthField
        key={round}
        name={`tool.new.${round}`}
        label="Leaves"
        valueMm={mm}
        units={units}
        onValue={setMm}
      />
      {put.error && <Said>{put.error.message}</Said>}
      <Plain
        onClick={() =>
          put.mutate(
            {
              id: crypto.randomUUID(),
              kind,
              printed: printed.trim(),
              leaves_mm: mm ?? 0,
              state: 'fine',
              retired: false,
            },
            {
              onSuccess: () => {
                setPrinted('');
                setMm(null);
                setRound((n) => n + 1);
              },
            },
          )
        }
      >
        Put it in the kit
      </Plain>
    </>
  );
}

function Settings({ house }: { house: House }) {
  const [name, setName] = useState(house.name);
  const put = usePutHouse();
  const { units } = house;
  return (
    <>
      <MarginHead>The salon</MarginHead>
      <label className="block">
        <span className="text-sm text-soft">Name</span>
        <input
          className="h-12 w-full border border-ink bg-sheet px-3"
          value={name}
          onChange={(e) => setName(e.target.value)}
          onBlur={() => {
            if (name !== house.name) put.mutate({ ...house, name });
          }}
        />
      </label>
      <Choice
        label="Lengths in"
        columns={2}
        options={[
          { value: 'millimetres', label: 'Millimetres' },
          { value: 'inches', label: 'Inches' },
        ]}
        value={units}
        onChange={(next) => put.mutate({ ...house, units: next })}
      />
      <Choice
        label="Blade beneath the combs"
        options={UNDER}
        value={house.under_comb}
        onChange={(under_comb) => put.mutate({ ...house, under_comb })}
      />
      <LengthField
        name="house.finger"
        label="Your index finger"
        valueMm={house.finger_mm}
        units={units}
        hint="Its breadth, laid on the rule."
        onValue={(mm) => {
          if (mm !== null) put.mutate({ ...house, finger_mm: mm });
        }}
      />
      {put.error && <Said>{put.error.message}</Said>}
      <Link
        to="/kit/house"
        className="mt-4 flex min-h-12 items-center border-2 border-ink px-3 font-bold"
      >
        How we work: lines, ways, clock, price
      </Link>
    </>
  );
}
