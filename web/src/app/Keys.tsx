import { lazy, Suspense, useEffect, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { areKeysOn } from '../shared/devices/keys';
import { TASKS } from './tasks';

/** The list comes when it is asked for: the first screen does without dialogs. */
const KeyList = lazy(() => import('./KeyList'));

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

  if (!isOpen) return null;
  return (
    <Suspense fallback={null}>
      <KeyList onClose={() => setOpen(false)} />
    </Suspense>
  );
}
