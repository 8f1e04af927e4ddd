import { useEffect, useRef, useState } from 'react';
import { Failure } from '../../shared/api/client';
import { useHouse, useKit, usePutHouse } from '../../shared/api/salon';
import { Said } from '../../shared/ui/controls';
import { FailedPage, LoadingPage } from '../../shared/ui/states';
import { PageHead } from '../../shared/ui/PageHead';
import { Clippers } from './Clippers';
import { HangUp } from './HangUp';
import { Rails } from './Rails';
import { Settings } from './Settings';
import { ShearsPanel } from './ShearsPanel';
import { ShearsRail } from './ShearsRail';
import { ToolPanel } from './ToolPanel';
import { useSalonLog, useWhatToBuy } from './useSalonLog';

/** The kit on its rail, by the length each tool leaves; beside it the tool touched, and the salon. */
export function KitScreen() {
  const kit = useKit();
  const house = useHouse();
  const log = useSalonLog();
  const buy = useWhatToBuy();
  const putHouse = usePutHouse();
  const [chosen, setChosen] = useState<string | null>(null);
  const beside = useRef<HTMLElement>(null);
  useEffect(() => {
    document.title = 'Kit · Veliform';
  }, []);
  useEffect(() => {
    // The tool touched stands on top of what is beside the rails.
    beside.current?.scrollTo({ top: 0 });
  }, [chosen]);
  const failure = [kit.error, house.error].find((e) => e instanceof Failure);
  if (failure instanceof Failure)
    return <FailedPage failure={failure} again={() => window.location.reload()} />;
  if (!kit.data || !house.data) return <LoadingPage />;
  const { units, clippers, shears } = house.data;
  const tool = kit.data.find((t) => t.id === chosen);
  const pair = shears.find((one) => one.id === chosen);
  return (
    <div className="screen flex h-full flex-col">
      <PageHead>Kit</PageHead>
      <main className="flex min-h-0 flex-1 flex-wrap gap-x-8 overflow-y-auto p-3 min-[960px]:flex-nowrap min-[960px]:overflow-hidden">
        <section
          className="min-w-0 flex-[3_1_560px] min-[960px]:overflow-y-auto"
          aria-label="Blades, combs and shears"
        >
          {kit.data.length === 0 && shears.length === 0 ? (
            <p className="p-4 text-lg">Nothing hangs here. Plans use what hangs here and is fit.</p>
          ) : (
            <Rails kit={kit.data} units={units} buy={buy} chosen={chosen} onChoose={setChosen} />
          )}
          <ShearsRail shears={shears} units={units} chosen={chosen} onChoose={setChosen} />
          <p className="px-4 py-2 text-sm text-soft">
            Hung by the length each leaves, true to scale; a comb’s is true over a 30. Shears hang
            by their own length. Plans use only what hangs here and is fit.
          </p>
        </section>
        <section
          ref={beside}
          className="flex flex-[1_1_300px] flex-col gap-5 px-2 min-[960px]:overflow-y-auto"
          aria-label="The tool touched, and the salon"
        >
          {tool ? (
            <ToolPanel
              key={tool.id}
              tool={tool}
              units={units}
              log={log}
              hasFits={clippers.length > 0 || (tool.fits ?? 'any') !== 'any'}
            />
          ) : pair ? (
            <ShearsPanel key={pair.id} pair={pair} house={house.data} />
          ) : (
            <p className="text-lg">Touch a tool to say how it cuts.</p>
          )}
          <HangUp house={house.data} onAdded={setChosen} />
          <Clippers house={house.data} onHouse={putHouse.mutate} />
          {putHouse.error && <Said>{putHouse.error.message}</Said>}
          <Settings house={house.data} />
        </section>
      </main>
    </div>
  );
}
