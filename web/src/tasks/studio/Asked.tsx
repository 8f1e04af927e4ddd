import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import type { ReactNode } from 'react';
import { Plain } from '../../shared/ui/controls';

/** What is asked once more before it is done. */
export function Asked(props: { title: string; onClose: () => void; children: ReactNode }) {
  return (
    <Dialog open onClose={props.onClose} className="relative z-20">
      <div className="fixed inset-0 flex items-center justify-center bg-page/80 p-4">
        <DialogPanel className="max-h-full w-[440px] max-w-full overflow-y-auto border-2 border-ink bg-sheet p-5">
          <DialogTitle className="pb-2 text-2xl font-bold">{props.title}</DialogTitle>
          {props.children}
          <div className="flex justify-end pt-4">
            <Plain onClick={props.onClose}>Not now</Plain>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
