import { useState } from 'react';
import type { House } from '../../shared/api/salon';
import { MarginHead, Plain } from '../../shared/ui/controls';

/** Who works at the tables: a groom says whose it was, and minutes are learnt for each. */
export function Stylists(props: { house: House; onHouse: (next: House) => void }) {
  const { house } = props;
  const [name, setName] = useState('');
  const add = () => {
    const said = name.trim();
    if (said === '' || house.stylists.includes(said)) return;
    props.onHouse({ ...house, stylists: [...house.stylists, said] });
    setName('');
  };
  return (
    <section aria-label="Who works here">
      <MarginHead>Who works here</MarginHead>
      <ul>
        {house.stylists.map((stylist) => (
          <li key={stylist} className="flex flex-wrap items-center gap-2 border-t border-line py-1">
            <span className="flex-1">{stylist}</span>
            <Plain
              label={`Still learning: ${stylist}`}
              pressed={house.learning.includes(stylist)}
              onClick={() =>
                props.onHouse({
                  ...house,
                  learning: house.learning.includes(stylist)
                    ? without(house.learning, stylist)
                    : [...house.learning, stylist],
                })
              }
            >
              Still learning
            </Plain>
            <Plain
              label={`Left-handed: ${stylist}`}
              pressed={house.left_handed.includes(stylist)}
              onClick={() =>
                props.onHouse({
                  ...house,
                  left_handed: house.left_handed.includes(stylist)
                    ? without(house.left_handed, stylist)
                    : [...house.left_handed, stylist],
                })
              }
            >
              Left-handed
            </Plain>
            <Plain
              label={`Take off: ${stylist}`}
              onClick={() =>
                props.onHouse({
                  ...house,
                  stylists: without(house.stylists, stylist),
                  learning: without(house.learning, stylist),
                  left_handed: without(house.left_handed, stylist),
                })
              }
            >
              Take off
            </Plain>
          </li>
        ))}
      </ul>
      {house.learning.length > 0 && (
        <p className="text-sm text-soft">
          Who is still learning gets a blade at the eye corners, a margin at the edges and tools
          held close to the hair.
        </p>
      )}
      {house.left_handed.length > 0 && (
        <p className="text-sm text-soft">
          Who is left-handed begins a pair with the right one, and gets left-handed shears.
        </p>
      )}
      <div className="flex items-end gap-2 pt-1">
        <label className="flex-1">
          <span className="text-sm text-soft">Another stylist</span>
          <input
            className="h-12 w-full border border-ink bg-sheet px-3"
            value={name}
            maxLength={60}
            onChange={(e) => setName(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Enter') add();
            }}
          />
        </label>
        <Plain onClick={add} disabled={name.trim() === ''}>
          Add
        </Plain>
      </div>
    </section>
  );
}

function without(names: string[], name: string): string[] {
  return names.filter((one) => one !== name);
}
