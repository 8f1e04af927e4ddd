import { useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { useChoices } from '../../shared/api/choices';
import { type House, usePutHouse } from '../../shared/api/salon';
import { Choice, Plain, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';
import { NumberField } from '../../shared/ui/NumberField';

type Edge = 'smooth' | 'serrated' | 'toothed';

const HANDS: { value: 'right' | 'left'; label: string }[] = [
  { value: 'right', label: 'Right hand' },
  { value: 'left', label: 'Left hand' },
];
const EDGES: { value: Edge; label: string }[] = [
  { value: 'smooth', label: 'Smooth' },
  { value: 'serrated', label: 'Serrated' },
  { value: 'toothed', label: 'Toothed' },
];

/** A pair of shears that is new in the salon. */
export function AddShears(props: { house: House; onAdded: (id: string) => void }) {
  const { house } = props;
  const put = usePutHouse();
  const { shears_forms } = useChoices();
  const [mm, setMm] = useState<number | null>(null);
  const [form, setForm] = useState<NonNullable<Schemas['Shears']['form']>>('straight');
  const [hand, setHand] = useState<'right' | 'left'>('right');
  const [edge, setEdge] = useState<Edge>('smooth');
  const [teeth, setTeeth] = useState<number | null>(null);
  const [takes, setTakes] = useState<number | null>(null);
  const [round, setRound] = useState(0);
  const isWhole = (value: number | null) => value !== null && Number.isInteger(value) && value > 0;
  const isSaid = mm !== null && (edge !== 'toothed' || (isWhole(teeth) && isWhole(takes)));
  const add = () => {
    const id = crypto.randomUUID();
    const pair: Schemas['Shears'] = {
      id,
      long_mm: mm ?? 0,
      form,
      is_left_handed: hand === 'left',
      edge:
        edge === 'toothed' ? { toothed: { teeth: teeth ?? 0, takes_percent: takes ?? 0 } } : edge,
      state: 'sharp',
    };
    // What is refused stays typed.
    put.mutate(
      { ...house, shears: [...house.shears, pair] },
      {
        onSuccess: () => {
          props.onAdded(id);
          setMm(null);
          setTeeth(null);
          setTakes(null);
          setRound((n) => n + 1);
        },
      },
    );
  };
  return (
    <>
      <LengthField
        key={`long ${round}`}
        name={`shears.new.${round}`}
        label="Long"
        aside="from the points to the rings’ end"
        valueMm={mm}
        units={house.units}
        onValue={setMm}
      />
      <Choice
        label="Blades"
        columns={2}
        options={shears_forms ?? []}
        value={form}
        onChange={setForm}
      />
      <div className="pt-2">
        <Choice label="Edge" options={EDGES} value={edge} onChange={setEdge} />
      </div>
      <div className="pt-2">
        <Choice label="Made for" columns={2} options={HANDS} value={hand} onChange={setHand} />
      </div>
      {edge === 'toothed' && (
        <>
          <NumberField
            key={`teeth ${round}`}
            name={`shears.teeth.${round}`}
            label="Teeth"
            value={teeth}
            example="46"
            onNumber={setTeeth}
          />
          <NumberField
            key={`takes ${round}`}
            name={`shears.takes.${round}`}
            label="A close takes"
            aside="share of the hair between the blades"
            unit="%"
            value={takes}
            example="15"
            onNumber={setTakes}
          />
        </>
      )}
      {put.error && <Said>{put.error.message}</Said>}
      <div className="pt-2">
        <Plain onClick={add} disabled={!isSaid}>
          Hang it on the rail
        </Plain>
      </div>
    </>
  );
}
