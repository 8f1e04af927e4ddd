import { useChoices } from '../api/choices';
import { useState } from 'react';
import { Failure, type Schemas } from '../api/client';
import { Disclosed } from '../ui/Disclosed';
import { Choice, Plain, Said } from '../ui/controls';
import { numberOf } from '../ui/NumberField';

/** Loads a photo, or takes one by the simulated camera. */
export function GetPhoto(props: {
  /** Seen from there, always. */
  only?: Schemas['View'];
  /** What the control says. */
  label?: string;
  onFile: (file: File, view: Schemas['View']) => Promise<void>;
  onCamera: (camera: Schemas['Camera']) => Promise<void>;
}) {
  const [chosen, setChosen] = useState<Schemas['View']>('side');
  const view = props.only ?? chosen;
  const { views } = useChoices();
  const [isBusy, setBusy] = useState(false);
  const [sorry, setSorry] = useState<string | null>(null);
  const [turn, setTurn] = useState('0');
  const [tilt, setTilt] = useState('0');
  const [distance, setDistance] = useState('2200');
  const run = (work: Promise<void>) => {
    setBusy(true);
    setSorry(null);
    work.then(
      () => setBusy(false),
      (error: unknown) => {
        setBusy(false);
        if (error instanceof Failure) setSorry(error.message);
      },
    );
  };
  return (
    <div>
      {!props.only && (
        <Choice label="Taken from" options={views ?? []} value={view} onChange={setChosen} />
      )}
      <label className="mt-2 flex min-h-12 cursor-pointer items-center justify-center border-2 border-ink px-3 font-bold focus-within:outline-2">
        {isBusy ? 'Opening it…' : (props.label ?? 'Load a photo')}
        <input
          type="file"
          className="sr-only"
          accept="image/jpeg,image/png,image/webp"
          disabled={isBusy}
          onChange={(e) => {
            const file = e.target.files?.[0];
            e.target.value = '';
            if (file) run(props.onFile(file, view));
          }}
        />
      </label>
      {sorry && <Said>{sorry}</Said>}
      <Disclosed says="Simulated camera, to try without a real one">
        <div className="grid grid-cols-3 gap-2">
          <NumberField label="Turn °" value={turn} onChange={setTurn} />
          <NumberField label="Tilt °" value={tilt} onChange={setTilt} />
          <NumberField label="Distance mm" value={distance} onChange={setDistance} />
        </div>
        <div className="py-2">
          <Plain
            disabled={isBusy}
            onClick={() =>
              run(
                props.onCamera({
                  view,
                  turn_deg: numberOf(turn) ?? 0,
                  tilt_deg: numberOf(tilt) ?? 0,
                  distance_mm: numberOf(distance) ?? 0,
                  rod_mm: 300,
                  size_px: [1600, 1200],
                }),
              )
            }
          >
            Take a simulated photo
          </Plain>
        </div>
      </Disclosed>
    </div>
  );
}

function NumberField(props: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="block text-sm">
      {props.label}
      <input
        className="h-12 w-full border border-ink bg-sheet px-1 text-right font-mono"
        inputMode="decimal"
        value={props.value}
        onChange={(e) => props.onChange(e.target.value)}
      />
    </label>
  );
}
