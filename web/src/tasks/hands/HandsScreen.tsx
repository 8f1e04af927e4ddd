import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { findingText } from '../../shared/dog/finding';
import { ShowToggles } from '../../shared/sheet/ShowToggles';
import { ViewChoice } from '../../shared/sheet/ViewChoice';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Choice, MarginHead } from '../../shared/ui/controls';
import { NumberField } from '../../shared/ui/NumberField';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { BendRow } from './BendRow';
import { DeviceBar } from './DeviceBar';
import { FeltRow } from './FeltRow';
import { HandsTabs } from './HandsTabs';
import { MeasureField } from './MeasureField';
import { OneAtATime } from './OneAtATime';
import { WhatCameAlong } from './StillSo';
import { StopList } from './StopList';
import { EarTail } from '../../shared/dog/EarTail';
import { TypeRow } from './TypeRow';
import { useWhatNext, WhatNext } from './WhatNext';

type Finding = Schemas['Finding'];

const WAYS = [
  { value: 'quick', label: 'Quick' },
  { value: 'all', label: 'All' },
  { value: 'one', label: 'One at a time' },
] as const;
type Way = (typeof WAYS)[number]['value'];

/** Hands-on: quick, everything in the order a hand travels, or one thing at a time. */
export function HandsScreen() {
  const work = useVisitWork();
  const [method, setMethod] = useState<Schemas['Method']>('height_stick');
  const [search, setSearch] = useSearchParams();
  const next = useWhatNext();
  const way = WAYS.find((w) => w.value === search.get('way'))?.value ?? 'quick';
  const wanted = useRef<Finding | null>(null);
  const order = oneOrder(work.words);
  const asked = search.get('ask');
  const place = Math.max(
    0,
    order.findIndex((f) => findingText(f) === asked),
  );
  const put = (to: Way, ask: Finding | undefined) =>
    setSearch(
      (now) => {
        now.set('way', to);
        if (to === 'one' && ask) now.set('ask', findingText(ask));
        else now.delete('ask');
        return now;
      },
      { replace: true },
    );
  const setWay = (to: Way) => put(to, order[0]);
  const setPlace = (to: number) => put('one', order[(to + order.length) % order.length]);
  const open = (finding: Finding) => {
    if (way === 'one') {
      put('one', finding);
      return;
    }
    if (!focusOn(finding)) {
      wanted.current = finding;
      setWay('all');
    }
  };
  // A field that was not on the screen is taken in hand once it is.
  useEffect(() => {
    if (wanted.current && focusOn(wanted.current)) wanted.current = null;
  });
  const view = search.get('view') ?? 'side';
  const finding = order[place] ?? order[0];
  return (
    <WorkScreen
      title="Hands"
      canDrag
      onTouch={(tag) => {
        if (tag.of === 'measure') open({ of: 'measure', which: tag.which });
        if (tag.of === 'landmark') {
          const word = work.words.landmarks.find((l) => l.landmark === tag.which);
          const there = word?.views.find((v) => v.view === view) ?? word?.views[0];
          if (there?.opens) open({ of: 'measure', which: there.opens });
        }
      }}
      foot={
        <>
          <ViewChoice />
          <ShowToggles names={['landmarks']} />
        </>
      }
      margin={
        <div className="flex min-h-full flex-col">
          <HandsTabs />
          <WhatCameAlong />
          {way !== 'one' && <WhatNext next={next} onOpen={open} />}
          <Choice
            label="How to enter"
            hideLabel
            options={[...WAYS]}
            value={way}
            onChange={setWay}
          />
          {way === 'one' && finding ? (
            <div className="flex-1 pt-3">
              <OneAtATime
                finding={finding}
                method={method}
                place={placeText(work.words, finding, place, order.length)}
                onNext={() => setPlace(place + 1)}
                onBack={() => setPlace(place - 1)}
              />
            </div>
          ) : (
            <>
              <div className="pt-3">
                <Choice
                  label="Measured with"
                  options={work.words.choices.methods}
                  value={method}
                  onChange={setMethod}
                />
              </div>
              <DeviceBar order={order} />
              {way === 'all' && <TypeRow />}
              {way === 'quick' && <QuickList method={method} />}
              <MarginHead>As it carries them</MarginHead>
              <EarTail
                words={work.words}
                ear={work.evaluation.visit.frame.ear ?? null}
                tail={work.evaluation.visit.frame.tail ?? null}
                onEar={(ear) => work.say({ kind: 'ear_set', ear })}
                onTail={(tail) => work.say({ kind: 'tail_set', tail })}
              />
              <Choice
                label="Top of the skull"
                options={work.words.choices.domes}
                value={work.evaluation.visit.frame.dome ?? null}
                onChange={(dome) => work.say({ kind: 'dome_set', dome })}
              />
              <MarginHead>Stood square?</MarginHead>
              <Choice
                label="Stood square?"
                hideLabel
                options={work.words.choices.stances}
                value={work.evaluation.visit.frame.stance}
                onChange={(stance) => work.say({ kind: 'stance_set', stance })}
              />
              <NumberField
                name={`${work.visitId}.weight`}
                label="Weight"
                unit="kg"
                value={work.evaluation.visit.weight_kg ?? null}
                example="8.5"
                onNumber={(kg) => work.say({ kind: 'weight_set', kg })}
                problem={problemOf(work, 'weight')?.message}
              />
              {way === 'quick' ? <QuickFelt /> : <StopList method={method} />}
            </>
          )}
        </div>
      }
      next={<BigLink to={`/visit/${work.visitId}/coat`}>Feel the coat</BigLink>}
    />
  );
}

function QuickList({ method }: { method: Schemas['Method'] }) {
  const { words } = useVisitWork();
  return (
    <div className="pt-2">
      {words.measures
        .filter((m) => m.is_quick)
        .map((word) => (
          <MeasureField key={word.measure} word={word} method={method} canPart={false} />
        ))}
    </div>
  );
}

function QuickFelt() {
  const { words } = useVisitWork();
  return (
    <>
      <MarginHead>Felt, by the hand</MarginHead>
      {words.felt
        .filter((f) => f.is_quick)
        .map((word) =>
          word.felt === 'straight_behind' ? (
            <BendRow key={word.felt} />
          ) : (
            <FeltRow key={word.felt} word={word} canPart={false} />
          ),
        )}
    </>
  );
}

function handOrder(words: Schemas['Catalogue']): Finding[] {
  return words.stops.flatMap((s) => s.findings);
}

/** The two numbers that say most. */
const TWO: Finding[] = [
  { of: 'measure', which: 'height_at_withers' },
  { of: 'measure', which: 'body_length' },
];

/** One at a time: the two numbers and the ten of the first minute, then all else as the hand travels. */
function oneOrder(words: Schemas['Catalogue']): Finding[] {
  const ten = words.felt
    .filter((f) => f.is_quick)
    .map(({ felt }): Finding => ({ of: 'felt', which: felt }));
  const first = [...TWO, ...ten];
  const isFirst = new Set(first.map(findingText));
  return [...first, ...handOrder(words).filter((f) => !isFirst.has(findingText(f)))];
}

function placeText(
  words: Schemas['Catalogue'],
  finding: Finding,
  place: number,
  count: number,
): string {
  const stop = words.stops.find((s) =>
    s.findings.some((f) => f.of === finding.of && f.which === finding.which),
  );
  return `${stop?.label ?? ''}: ${place + 1} of ${count}`;
}

function focusOn(finding: Finding): boolean {
  const row = document.querySelector<HTMLElement>(`[data-${finding.of}="${finding.which}"]`);
  row?.scrollIntoView({ block: 'center' });
  const control = row?.querySelector<HTMLElement>('input, [role=radio]');
  control?.focus();
  return row !== null;
}
