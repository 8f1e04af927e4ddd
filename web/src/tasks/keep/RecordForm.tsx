import type { Schemas } from '../../shared/api/client';
import { Pick } from '../../shared/ui/Pick';
import { Choice, MarginHead, Said } from '../../shared/ui/controls';
import { problemOf, useVisitWork } from '../../shared/visit/context';
import { useRecord } from '../../shared/visit/useRecord';
import { WrittenLine } from '../../shared/ui/WrittenLine';

const LINES: { part: 'behaviour' | 'products' | 'told' | 'unfinished'; label: string }[] = [
  { part: 'behaviour', label: 'How the dog behaved' },
  { part: 'products', label: 'Finish and products' },
  { part: 'told', label: 'What the owner was told' },
  { part: 'unfinished', label: 'Unfinished, for next time' },
];

const NOTHING: Schemas['Record'] = {
  behaviour: '',
  products: '',
  told: '',
  unfinished: '',
  grow: [],
  trust: null,
};

/** The groom in words: a minute's writing for whoever has the dog next. */
export function RecordForm() {
  const work = useVisitWork();
  const { words, evaluation } = work;
  const record: Schemas['Record'] = { ...NOTHING, ...evaluation.visit.record };
  const put = useRecord(record, (whole) => work.say({ kind: 'record_set', record: whole }));
  const { grow } = record;
  const problem = problemOf(work, 'record');
  return (
    <>
      <MarginHead>The groom in a minute</MarginHead>
      {LINES.map(({ part, label }) => (
        <section key={part} className="border-t border-line pt-2 first:border-0">
          <h3 className="pb-1 font-bold">{label}</h3>
          <WrittenLine
            name={`${work.visitId}.record.${part}`}
            label={label}
            value={record[part]}
            onText={(text) => put({ [part]: text })}
            phrases={(evaluation.record_words ?? [])
              .filter((word) => word.part === part)
              .map((word) => ({ text: word.text, isSeen: word.is_seen }))}
          />
        </section>
      ))}
      <Choice
        label="Its trust, against last time"
        options={words.choices.trust}
        value={record.trust}
        onChange={(trust) => put({ trust })}
      />
      {problem && <Said>{problem.message}</Said>}
      <Pick
        label="To grow, left alone"
        asks="add a zone"
        options={words.zones
          .filter((z) => !grow.includes(z.zone))
          .map((z) => ({ value: z.zone, label: z.label }))}
        value={null}
        onPick={(zone) => put({ grow: [...grow, zone] })}
      />
      <ul className="flex flex-wrap gap-2 pt-2">
        {grow.map((zone) => {
          const label = words.zones.find((z) => z.zone === zone)?.label ?? zone;
          return (
            <li key={zone}>
              <button
                type="button"
                className="min-h-12 border border-ink px-3"
                aria-label={`${label}: take it off the list`}
                onClick={() => put({ grow: grow.filter((z) => z !== zone) })}
              >
                {label} <span aria-hidden="true">×</span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
