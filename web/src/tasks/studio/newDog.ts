import type { Schemas } from '../../shared/api/client';
import { Failure } from '../../shared/api/client';
import { keepText, readText } from '../../shared/devices/storage';
import type { Grades } from '../../shared/dog/bend';
import { numberOf } from '../../shared/ui/NumberField';
import type { EntryBody } from '../../shared/visit/model';

type Dog = Schemas['Dog'];

const DRAFT = 'veliform.new-dog';

/** A dog as it is being entered: what nobody said is null, and guessed by the core. */
export interface Draft {
  id: string;
  name: string;
  owner: string;
  years: string;
  handling: string;
  sex: NonNullable<Dog['sex']>;
  size: NonNullable<Dog['size']> | null;
  build: NonNullable<Dog['build']> | null;
  texture: NonNullable<Dog['texture']> | null;
  ear: NonNullable<Dog['ear']> | null;
  tail: NonNullable<Dog['tail']> | null;
  colour: NonNullable<Dog['colour']> | null;
  has_double_coat: boolean;
  height_mm: number | null;
  body_mm: number | null;
  /** What the hand felt. */
  felt: Grades;
}

/** The dog begun here before, or a new one. */
export function readDraft(): Draft {
  const fresh: Draft = {
    id: crypto.randomUUID(),
    name: '',
    owner: '',
    years: '',
    handling: '',
    sex: 'unknown',
    size: null,
    build: null,
    texture: null,
    ear: null,
    tail: null,
    colour: null,
    has_double_coat: false,
    height_mm: null,
    body_mm: null,
    felt: {},
  };
  try {
    return { ...fresh, ...(JSON.parse(readText(localStorage, DRAFT) ?? '{}') as Partial<Draft>) };
  } catch {
    return fresh;
  }
}

export function keepDraft(draft: Draft | null): void {
  keepText(localStorage, DRAFT, draft && JSON.stringify(draft));
}

/** The age in months; a failure beside its field where it is no number. */
export function ageMonths(years: string): number | null {
  const number = numberOf(years);
  if (number === undefined || (number !== null && number < 0))
    throw new Failure('invalid_input', 'The age is no number.', [
      {
        field: 'dog.age_months',
        message: `“${years}” is no age; type years such as 3 or 0.5, or leave it empty.`,
        severity: 'refused',
      },
    ]);
  return number === null ? null : Math.round(number * 12);
}

/** The two numbers that say most, and what each is usually read by. */
export const NUMBERS = [
  { of: 'height_mm', measure: 'height_at_withers', method: 'height_stick' },
  { of: 'body_mm', measure: 'body_length', method: 'tape' },
] as const;

/** What was read and felt on the dog already: its visit begins with it. */
export function readOf(draft: Draft): EntryBody[] {
  const numbers = NUMBERS.flatMap(({ of, measure, method }): EntryBody[] => {
    const value_mm = draft[of];
    return value_mm === null ? [] : [{ kind: 'measure_set', measure, taken: { value_mm, method } }];
  });
  const felt = Object.entries(draft.felt) as [Schemas['Felt'], Schemas['Grade']][];
  return [
    ...numbers,
    ...felt.map(([which, grade]): EntryBody => ({ kind: 'felt_set', felt: which, grade })),
  ];
}

/** The dog as said so far. */
export function dogOf(draft: Draft, months: number | null): Dog {
  return {
    id: draft.id,
    name: draft.name.trim(),
    owner: draft.owner.trim(),
    sex: draft.sex,
    age_months: months,
    ...(draft.size && { size: draft.size }),
    ...(draft.texture && { texture: draft.texture }),
    ...(draft.build && { build: draft.build }),
    ear: draft.ear,
    tail: draft.tail,
    colour: draft.colour,
    has_double_coat: draft.has_double_coat,
    handling: draft.handling.trim(),
  };
}
