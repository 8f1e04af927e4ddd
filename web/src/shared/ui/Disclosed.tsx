import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/react';
import type { ReactNode } from 'react';

/** What most people need not see, behind a line that says what it is. */
export function Disclosed(props: { says: string; isOpen?: boolean; children: ReactNode }) {
  return (
    <Disclosure as="div" className="mt-2 border-t border-line" defaultOpen={props.isOpen ?? false}>
      <DisclosureButton className="group flex min-h-12 w-full items-center justify-between gap-2 text-left font-bold">
        {props.says}
        <svg
          viewBox="0 0 12 12"
          className="size-3 shrink-0 group-data-open:rotate-45"
          aria-hidden="true"
        >
          <path d="M6 0v12M0 6h12" stroke="currentColor" strokeWidth="2" />
        </svg>
      </DisclosureButton>
      <DisclosurePanel className="pb-2">{props.children}</DisclosurePanel>
    </Disclosure>
  );
}
