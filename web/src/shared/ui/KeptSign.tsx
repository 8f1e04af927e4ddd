import type { VisitLog } from '../visit/model';

/** Says plainly whether what was typed is kept. */
export function KeptSign({ log }: { log: VisitLog }) {
  const waiting = log.pending.length;
  const words =
    log.state === 'away'
      ? `Veliform does not answer. ${waiting} not yet sent, saved here.`
      : log.state === 'keeping'
        ? 'Saving…'
        : log.state === 'refused'
          ? (log.refusal ?? 'Not saved.')
          : 'Saved.';
  return (
    <p
      role="status"
      data-kept={log.state}
      className={
        log.state === 'away' || log.state === 'refused' ? 'font-bold text-pin' : 'text-soft'
      }
    >
      {words}
      {log.fromOthers > 0 && (
        <span className="font-bold text-ink">
          {' '}
          Another screen works on this dog: {log.fromOthers}{' '}
          {log.fromOthers === 1 ? 'entry' : 'entries'} came in.
        </span>
      )}
    </p>
  );
}
