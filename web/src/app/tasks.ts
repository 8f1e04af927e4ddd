import type { Schemas } from '../shared/api/client';

type Layers = Schemas['Layers'];
type Visit = Schemas['Visit'];

export interface Task {
  name: string;
  path: string;
  /** Further pages of the task, with what the sheet shows at them. */
  pages?: Record<string, Partial<Layers>>;
  wantsPlan: boolean;
  layers: Partial<Layers>;
  /** Whether the visit holds something of this task. */
  isReached: (visit: Visit) => boolean;
}

/** The tasks of a visit in the order of the tape, with what the sheet shows at each. */
export const TASKS: Task[] = [
  {
    name: 'Talk',
    path: 'talk',
    wantsPlan: false,
    layers: { plan: false },
    pages: {
      last: { plan: false, lengths: true },
      picture: { plan: false },
      album: { plan: false },
    },
    isReached: (v) => v.talk != null,
  },
  {
    name: 'Hands',
    path: 'hands',
    wantsPlan: false,
    layers: { plan: false, measures: true, doubt: true },
    pages: {
      body: { plan: false },
      photo: { plan: false },
      time: { plan: false, measures: true },
    },
    isReached: (v) => Object.keys(v.frame.measures).length + Object.keys(v.frame.felt).length > 0,
  },
  {
    name: 'Coat',
    path: 'coat',
    wantsPlan: false,
    layers: { plan: false, lengths: true },
    isReached: (v) => v.coat.all_over_mm != null || Object.keys(v.coat.zones_mm).length > 0,
  },
  {
    name: 'Look',
    path: 'look',
    wantsPlan: true,
    layers: { lengths: true, skin: false },
    isReached: (v) => v.look != null,
  },
  {
    name: 'Plan',
    path: 'plan',
    wantsPlan: true,
    layers: { lengths: true, lines: true, pins: true, skin: false },
    pages: { lines: { lines: true }, ahead: {} },
    isReached: (v) => v.look != null,
  },
  {
    name: 'Groom',
    path: 'cut',
    wantsPlan: true,
    layers: { lines: true, lengths: true, skin: false },
    pages: {
      run: { lengths: true, skin: false, table: false },
      schools: { lines: true, lengths: true, skin: false },
    },
    isReached: (v) => v.plans.length > 0 || v.run != null,
  },
  {
    name: 'Walk round',
    path: 'check',
    wantsPlan: true,
    layers: { as_left: true, now: false, skin: false, touch: false },
    pages: { lengths: { as_left: true, lengths: true, now: false, skin: false } },
    isReached: (v) =>
      Object.keys(v.results ?? {}).length + (v.looked ?? []).length > 0 || v.run?.ended != null,
  },
  {
    name: 'Going home',
    path: 'keep',
    wantsPlan: true,
    layers: { as_left: true, lengths: true, now: false, skin: false },
    isReached: (v) => v.plans.length > 0,
  },
];

/** The task a page belongs to, and what the sheet shows there. */
export function taskAt(pathname: string): { index: number; layers: Partial<Layers> } {
  const page = pathname.split('/').pop() ?? '';
  const index = Math.max(
    0,
    TASKS.findIndex((t) => t.path === page || (t.pages && page in t.pages)),
  );
  const task = TASKS[index];
  return { index, layers: task?.pages?.[page] ?? task?.layers ?? {} };
}
