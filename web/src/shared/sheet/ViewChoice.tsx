import { Radio, RadioGroup } from '@headlessui/react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../api/client';

type Sheet = Schemas['Sheet'];

const VIEWS: { value: Sheet; label: string }[] = [
  { value: 'side', label: 'Side' },
  { value: 'front', label: 'Front' },
  { value: 'rear', label: 'Rear' },
  { value: 'top', label: 'Top' },
  { value: 'four', label: 'All four' },
];

/** Which views stand on the sheet, kept in the address so that a reload shows the same. */
export function ViewChoice({ without = [] }: { without?: Sheet[] }) {
  const [search, setSearch] = useSearchParams();
  const chosen = VIEWS.find((v) => v.value === search.get('view'))?.value ?? 'side';
  return (
    <RadioGroup
      aria-label="View"
      className="flex gap-x-1.5"
      value={chosen}
      onChange={(view) =>
        setSearch(
          (now) => {
            now.set('view', view);
            return now;
          },
          { replace: true },
        )
      }
    >
      {VIEWS.filter((v) => !without.includes(v.value)).map((view) => (
        <Radio
          key={view.value}
          value={view.value}
          className="flex min-h-12 cursor-pointer items-center border-b-2 border-ink px-3 pb-2.5 data-checked:taped"
        >
          {view.label}
        </Radio>
      ))}
    </RadioGroup>
  );
}
