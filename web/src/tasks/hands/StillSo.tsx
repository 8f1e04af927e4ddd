import type { Schemas } from '../../shared/api/client';
import { Plain } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { ageOf, agoText, allAged } from '../../shared/visit/known';

type Known = Schemas['Known'];

/** Beside one thing that came along: how old it is, and one touch that it is still so. */
export function Aged({ known, label }: { known: Known; label: string }) {
  const work = useVisitWork();
  const days = ageOf(work, known);
  if (days === null) return null;
  return (
    <p className="flex items-center justify-between gap-2 border-l-4 border-line pl-2 text-sm text-soft">
      from {agoText(days)}
      <button
        type="button"
        className="min-h-11 px-2 font-bold text-chalk underline"
        aria-label={`${label}: still so`}
        onClick={() => work.say({ kind: 'still_so', what: [known] })}
      >
        Still so
      </button>
    </p>
  );
}

/** At a stop's head: everything there at once. */
export function StopStillSo({ findings, label }: { findings: Known[]; label: string }) {
  const work = useVisitWork();
  const aged = findings.filter((f) => ageOf(work, f) !== null);
  if (aged.length < 2) return null;
  return (
    <Plain onClick={() => work.say({ kind: 'still_so', what: aged })}>
      {label}: all {aged.length} still so
    </Plain>
  );
}

/** Over the hands of a known dog: what came along, and one touch for all of it. */
export function WhatCameAlong() {
  const work = useVisitWork();
  const aged = allAged(work);
  const days = work.evaluation.visit.known_days ?? null;
  if (days === null) return null;
  return (
    <div className="mb-3 border-l-4 border-chalk pl-3">
      <p className="leading-snug">
        {aged.length > 0
          ? `What was found before stands here; the last visit was ${agoText(days)}. How the dog stands, its weight and its coat change first: feel those.`
          : `Everything is as of today; the last visit was ${agoText(days)}.`}
      </p>
      {aged.length > 0 && (
        <Plain onClick={() => work.say({ kind: 'still_so', what: aged })}>
          All {aged.length} still so
        </Plain>
      )}
    </div>
  );
}
