import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import type { Schemas } from '../../shared/api/client';

/** The clip lines with the distances a hand can lay off from a bone. */
export function LineList({ lines }: { lines: Schemas['ClipLine'][] }) {
  return (
    <Disclosure as="div" className="pt-2 pb-2">
      <DisclosureButton className="min-h-12 w-full border border-ink px-3 text-left font-bold">
        Lines by hand
      </DisclosureButton>
      <DisclosurePanel as="dl" className="text-sm">
        {lines.map((line) => (
          <div key={line.line} className="border-t border-line py-1">
            <dt className="font-bold">{line.label}</dt>
            {line.hand.map((hand) => (
              <dd key={hand.from}>
                <b className="font-mono">{hand.text}</b> {hand.from}
              </dd>
            ))}
            <dd className="text-soft">{line.why}</dd>
          </div>
        ))}
      </DisclosurePanel>
    </Disclosure>
  );
}
