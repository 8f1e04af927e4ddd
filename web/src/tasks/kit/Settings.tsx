import { useState } from 'react';
import { Link } from 'react-router';
import { useChoices } from '../../shared/api/choices';
import { type House, usePutHouse } from '../../shared/api/salon';
import { Choice, MarginHead, Said } from '../../shared/ui/controls';
import { LengthField } from '../../shared/ui/LengthField';

/** What holds for the whole salon: its name, its units, the blade beneath the combs, a finger's breadth. */
export function Settings({ house }: { house: House }) {
  const [name, setName] = useState(house.name);
  const put = usePutHouse();
  const choices = useChoices();
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
        options={choices.units ?? []}
        value={units}
        onChange={(next) => put.mutate({ ...house, units: next })}
      />
      <Choice
        label="Blade beneath the combs"
        options={choices.under ?? []}
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
