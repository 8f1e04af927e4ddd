import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react';
import { useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { areKeysOn } from '../shared/devices/keys';
import { TASKS } from './tasks';

const LIST: [string, string][] = [
  ['1 … 8', 'the task at that place of the tape'],
  ['Enter on the large control', 'the next thing to do'],
  ['u', 'undo'],
  ['r', 'redo'],
  ['space, page down, →', 'at the table: step done'],
  ['page up, ←', 'at the table: back'],
  ['↑ ↓ in a length', 'a millimetre more or less'],
  ['d', 'all dogs'],
  ['?', 'this list'],
];

/** Keys that work everywhere but in a field. */
export function Keys() {
  const [isOpen, setOpen] = useState(false);
  const navigate = useNavigate();
  const { pathname } = useLocation();

  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const target = e.target as Element;
      // In a field, an open list or a dialog, letters belong to it.
      const isTaken = target.closest('input, textarea, select, [role=listbox], [role=dialog]');
      if (e.ctrlKey || e.metaKey || e.altKey || isTaken || !areKeysOn()) return;
      const visit = /^\/visit\/[^/]+/.exec(pathname)?.[0];
      const task = TASKS[Number(e.key) - 1];
      if (e.key === '?') setOpen(true);
      else if (e.key === 'd') void navigate('/');
      else if (e.key === 'u') document.querySelector<HTMLElement>('[data-undo]')?.click();
      else if (e.key === 'r') document.querySelector<HTMLElement>('[data-redo]')?.click();
      else if (visit && task) void navigate(`${visit}/${task.path}`);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [navigate, pathname]);

  return (
    <Dialog open={isOpen} onClose={() => setOpen(false)} className="relative z-20">
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
            onClick={() => setOpen(false)}
          >
            Back to the dog
          </button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
