import { useState } from 'react';
import type { House, Tool } from '../../shared/api/salon';
import { Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { usePutTool } from './usePutTool';

/** A blade or comb that is new in the salon. */
export function AddTool(props: {
  kind: Tool['kind'];
  units: House['units'];
  onAdded: (id: string) => void;
}) {
  const { kind, units, onAdded } = props;
  const put = usePutTool();
  const [printed, setPrinted] = useState('');
  const [mm, setMm] = useState<number | null>(null);
  const [round, setRound] = useState(0);
  return (
    <>
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
        onClick={() => {
          const id = crypto.randomUUID();
          put.mutate(
            {
              id,
              kind,
              printed: printed.trim(),
              leaves_mm: mm ?? 0,
              state: 'fine',
              retired: false,
            },
            {
              onSuccess: () => {
                onAdded(id);
                setPrinted('');
                setMm(null);
                setRound((n) => n + 1);
              },
            },
          );
        }}
      >
        Put it in the kit
      </Plain>
    </>
  );
}
