import { useEffect, useRef, useState } from 'react';
import type { Schemas } from '../../shared/api/client';
import { lengthText, unitName } from '../../shared/units/show';
import { useVisitWork } from '../../shared/visit/context';
import { keepText, readText } from '../../shared/visit/drafts';
import type { EntryBody } from '../../shared/visit/model';
import { methodFor } from './MeasureField';

type Finding = Schemas['Finding'];

const STEPS_MM = [-20, -5, -1, 1, 5, 20];
const MM_IN_INCH = 25.4;
/** What stands behind the whole inches. */
const EIGHTHS: [number, string][] = [
  [0, '·0'],
  [1, '1/8'],
  [2, '1/4'],
  [3, '3/8'],
  [4, '1/2'],
  [5, '5/8'],
  [6, '3/4'],
  [7, '7/8'],
];

/** Hands wet: one thing fills the margin, with three big choices or a big number row. */
export function OneAtATime(props: {
  finding: Finding;
  method: Schemas['Method'];
  place: string;
  onNext: () => void;
  onBack: () => void;
}) {
  return (
    <div className="flex h-full flex-col gap-3">
      <p className="text-sm text-soft">{props.place}</p>
      {props.finding.of === 'measure' ? (
        <BigMeasure key={props.finding.which} measure={props.finding.which} method={props.method} />
      ) : props.finding.of === 'felt' ? (
        <BigFelt felt={props.finding.which} onNext={props.onNext} />
      ) : (
        <BigAngle angle={props.finding.which} />
      )}
      <div className="mt-auto grid grid-cols-2 gap-2 pt-3">
        <Big onClick={props.onBack}>One before</Big>
        <Big onClick={props.onNext}>Next</Big>
      </div>
    </div>
  );
}

function Big(props: { onClick: () => void; children: string; pressed?: boolean }) {
  return (
    <button
      type="button"
      onClick={props.onClick}
      aria-pressed={props.pressed}
      className="min-h-16 border-2 border-ink px-3 text-xl font-bold aria-pressed:taped"
    >
      {props.children}
    </button>
  );
}

function Head({ label, how }: { label: string; how: string }) {
  return (
    <>
      <p className="text-2xl leading-tight font-bold">{label}</p>
      <p className="text-soft">{how}</p>
    </>
  );
}

function BigMeasure(props: { measure: Schemas['Measure']; method: Schemas['Method'] }) {
  const work = useVisitWork();
  const { measure } = props;
  const word = work.words.measures.find((w) => w.measure === measure);
  const taken = work.evaluation.visit.frame.measures[measure];
  const value = work.evaluation.frame.find((v) => v.measure === measure);
  const { units } = work.house;
  const name = `${work.visitId}.one.${measure}`;
  const [typed, setTyped] = useState(() => readText(name) ?? '');
  // Tried while it is typed, and the dog follows; said once, when it is left.
  const [mm, setMm] = useState<number | null>(null);
  const { say, attempt } = work;
  const body = (value: number): EntryBody => ({
    kind: 'measure_set',
    measure,
    taken: {
      value_mm: value,
      right_mm: taken?.right_mm ?? null,
      method: taken?.method ?? methodFor(word, props.method),
      is_confirmed: false,
    },
  });
  const pending = useRef<EntryBody | null>(null);
  const put = (value: number) => {
    setMm(value);
    pending.current = body(value);
    attempt(pending.current);
  };
  useEffect(
    () => () => {
      keepText(name, null);
      if (pending.current) say(pending.current);
      else attempt(null);
    },
    [name, say, attempt],
  );
  const shown = mm ?? taken?.value_mm ?? value?.value_mm ?? 0;
  const isMm = units === 'millimetres';
  const unitMm = isMm ? 1 : MM_IN_INCH;
  const press = (digit: string) => {
    const next = (typed + digit).slice(0, isMm ? 4 : 2);
    setTyped(next);
    keepText(name, next);
    put(Number(next) * unitMm);
  };
  return (
    <>
      <Head label={word?.label ?? measure} how={word?.how ?? ''} />
      <p className="font-mono text-5xl font-bold" data-big-value>
        {taken || mm !== null ? '' : '~'}
        {lengthText(shown, units)}
        <span className="text-2xl"> {unitName(units)}</span>
      </p>
      <div className="grid grid-cols-5 gap-1" role="group" aria-label="Digits">
        {['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'].map((digit) => (
          <Big key={digit} onClick={() => press(digit)}>
            {digit}
          </Big>
        ))}
      </div>
      {!isMm && (
        <div className="grid grid-cols-4 gap-1" role="group" aria-label="Eighths of an inch">
          {EIGHTHS.map(([eighths, label]) => (
            <Big
              key={label}
              onClick={() => {
                setTyped('');
                put((Math.floor(shown / unitMm + 1e-6) + eighths / 8) * unitMm);
              }}
            >
              {label}
            </Big>
          ))}
        </div>
      )}
      <button
        type="button"
        className="min-h-12 text-left text-chalk underline"
        onClick={() => {
          setTyped('');
          setMm(null);
          pending.current = null;
          say({ kind: 'measure_cleared', measure });
        }}
      >
        Clear
      </button>
      {isMm && (
        <div className="grid grid-cols-6 gap-1" role="group" aria-label="More or less">
          {STEPS_MM.map((mm) => (
            <button
              key={mm}
              type="button"
              className="min-h-14 border border-ink font-mono"
              onClick={() => {
                setTyped('');
                put(Math.max(0, Math.round(shown) + mm));
              }}
            >
              {mm > 0 ? `+${mm}` : mm}
            </button>
          ))}
        </div>
      )}
    </>
  );
}

function BigFelt({ felt, onNext }: { felt: Schemas['Felt']; onNext: () => void }) {
  const work = useVisitWork();
  const word = work.words.felt.find((w) => w.felt === felt);
  const grade = work.evaluation.visit.frame.felt[felt];
  return (
    <>
      <Head label={word?.label ?? felt} how={word?.how ?? ''} />
      <div className="grid gap-2">
        {work.words.choices.grades.map((g) => (
          <Big
            key={g.value}
            pressed={grade === g.value}
            onClick={() => {
              work.say({ kind: 'felt_set', felt, grade: g.value });
              onNext();
            }}
          >
            {g.label}
          </Big>
        ))}
      </div>
    </>
  );
}

function BigAngle({ angle }: { angle: Schemas['Angle'] }) {
  const work = useVisitWork();
  const word = work.words.angles.find((w) => w.angle === angle);
  const taken = work.evaluation.visit.frame.angles?.[angle];
  const value = work.evaluation.angles.find((v) => v.angle === angle);
  const shown = taken?.degrees ?? Math.round(value?.degrees ?? 0);
  const put = (degrees: number) =>
    work.say({ kind: 'angle_set', angle, taken: { degrees, method: 'angle_rule' } });
  return (
    <>
      <Head label={word?.label ?? angle} how={word?.how ?? ''} />
      <p className="font-mono text-5xl font-bold">
        {taken ? '' : '~'}
        {Math.round(shown)}°
      </p>
      <div className="grid grid-cols-4 gap-2">
        {[-10, -2, 2, 10].map((by) => (
          <Big key={by} onClick={() => put(Math.round(shown) + by)}>
            {by > 0 ? `+${by}` : String(by)}
          </Big>
        ))}
      </div>
      <p className="text-sm text-soft">{word?.reference}</p>
    </>
  );
}
