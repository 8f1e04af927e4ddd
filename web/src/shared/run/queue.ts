import type { Schemas } from '../api/client';
import type { Entry } from '../visit/model';

/**
 * Steps to come, as the core last said, less what was said here since: so that a tick is answered
 * at once, with the server away as well. The core's own answer takes its place when it comes.
 */
export function queueAfter(run: Schemas['Run'], queue: number[], since: Entry[]): number[] {
  const bath = run.sheet.steps.find((s) => s.kind === 'bath')?.number;
  const washed = new Set(run.steps.filter((s) => s.state === 'in_the_bath').map((s) => s.step));
  return since.reduce((left, { body }) => {
    if (body.kind !== 'run') return left;
    const { event } = body;
    switch (event.event) {
      case 'done':
        return left.filter((n) => n !== event.step);
      case 'put': {
        const others = left.filter((n) => n !== event.step);
        if (event.until === 'not_today') return others;
        const at = bath === undefined ? -1 : others.indexOf(bath);
        if (event.until === 'later' || at < 0) return [...others, event.step];
        washed.add(event.step);
        // After the bath, and after what was put into it before.
        const next = others.findIndex((n, i) => i > at && !washed.has(n));
        return others.toSpliced(next < 0 ? others.length : next, 0, event.step);
      }
      case 'reopened':
        return [event.step, ...left.filter((n) => n !== event.step)];
      case 'moved': {
        if (!left.includes(event.step)) return left;
        const others = left.filter((n) => n !== event.step);
        const at = event.before == null ? others.length : others.indexOf(event.before);
        return at < 0 ? left : others.toSpliced(at, 0, event.step);
      }
      case 'ended':
        return [];
      default:
        return left;
    }
  }, queue);
}

/** Where the comb was tried, with what was said here since. */
export function combedAfter(
  run: Schemas['Run'],
  since: Entry[],
): Partial<Record<Schemas['CombRegion'], boolean>> {
  const combed = { ...run.combed };
  for (const { body } of since)
    if (body.kind === 'run' && body.event.event === 'comb_tried')
      combed[body.event.region] = body.event.passes;
  return combed;
}
