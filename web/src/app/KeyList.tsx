import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';

const LIST: [string, string][] = [
  ['1 … 8', 'the task at that place of the tape'],
  ['Enter on the large control', 'the next thing to do'],
  ['u', 'undo'],
  ['r', 'redo'],
  ['space, page down, →', 'at the table: step done'],
  ['page up, ←', 'at the table: back'],
  ['↑ ↓ in a length', 'a millimetre more or less'],
  ['← ↑ → ↓ on the dog', 'from place to place; Enter touches one'],
  ['d', 'all dogs'],
  ['?', 'this list'],
];

/** What each key does. */
export default function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} className="relative z-20">
      <div className="fixed inset-0 flex items-center justify-center bg-page/80 p-4">
        <DialogPanel className="max-w-md border-2 border-ink bg-sheet p-6">
          <DialogTitle className="pb-3 text-xl font-bold">Keys</DialogTitle>
          <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
            {LIST.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-mono font-bold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <p className="pt-3 text-sm text-soft">
            Single keys are switched off on this device under Kit, How we work.
          </p>
          <button
            type="button"
            className="mt-5 min-h-12 border-2 border-ink px-4 font-bold"
            onClick={onClose}
          >
            To the dog
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
