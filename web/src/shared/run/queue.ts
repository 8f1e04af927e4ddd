import type { Entry } from '../visit/model';

/**
 * Steps to come, as the core last said, less what was said here since: so that a tick is answered
 * at once, with the server away as well. The core's own answer takes its place when it comes.
 */
export function queueAfter(queue: number[], since: Entry[]): number[] {
  return since.reduce((left, { body }) => {
    if (body.kind !== 'run') return left;
    const { event } = body;
    switch (event.event) {
      case 'done':
        return left.filter((n) => n !== event.step);
      case 'put': {
        const others = left.filter((n) => n !== event.step);
        return event.until === 'not_today' ? others : [...others, event.step];
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
