import type { Schemas } from '../../shared/api/client';
import { Choice, MarginHead, Plain, type Option } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { useRecord } from '../../shared/visit/useRecord';
import { Tick } from '../../shared/ui/Tick';
import { YES_NO, yesNo } from '../../shared/ui/yesNo';

type Handling = Schemas['Handling'];

const EMPTY: Handling = {
  temper: 'unknown',
  dislikes: [],
  minds: [],
  needs_second_person: false,
  stiffness: 'none',
  has_heart: false,
  has_fits: false,
  is_pregnant: false,
  is_neutered: null,
  skin: 'ordinary',
  long_nails: 'none',
  short_clip_consent: null,
};

/** Handling and health, in under a minute; it decides cautions first. */
export function HandlingForm() {
  const work = useVisitWork();
  const { choices } = work.words;
  const said = work.evaluation.visit.handling ?? null;
  const before = work.past?.handling ?? null;
  // What an earlier program wrote lacks what was asked since.
  const now: Handling = { ...EMPTY, ...(said ?? before) };
  const put = useRecord(now, (handling) => work.say({ kind: 'handling_set', handling }));
  return (
    <>
      <MarginHead>Handling and health</MarginHead>
      {!said && before && (
        <div className="pb-2">
          <p className="text-sm text-soft">Shown as last time, until you say so today.</p>
          <Plain onClick={() => put({})}>Same again</Plain>
        </div>
      )}
      <Choice
        label="Temper"
        options={choices.tempers}
        value={now.temper}
        onChange={(temper) => put({ temper })}
      />
      <Several
        label="Does not like touched"
        options={choices.body_parts}
        chosen={now.dislikes}
        onChange={(dislikes) => put({ dislikes })}
      />
      <Several
        label="Minds"
        options={choices.minds}
        chosen={now.minds}
        onChange={(minds) => put({ minds })}
      />
      <Tick
        label="Needs a second person"
        value={now.needs_second_person}
        onChange={(needs_second_person) => put({ needs_second_person })}
      />
      <Choice
        label="Stiffness"
        options={choices.grades}
        value={now.stiffness}
        onChange={(stiffness) => put({ stiffness })}
      />
      <Tick label="Heart" value={now.has_heart} onChange={(has_heart) => put({ has_heart })} />
      <Tick label="Fits" value={now.has_fits} onChange={(has_fits) => put({ has_fits })} />
      <Tick
        label="In whelp"
        value={now.is_pregnant}
        onChange={(is_pregnant) => put({ is_pregnant })}
      />
      <div className="pt-2">
        <Choice
          label="Nails"
          options={choices.nails}
          value={now.long_nails}
          onChange={(long_nails) => put({ long_nails })}
        />
      </div>
      <div className="pt-2">
        <Choice
          label="Skin"
          options={choices.skins}
          value={now.skin}
          onChange={(skin) => put({ skin })}
        />
      </div>
      <div className="pt-2">
        <Choice
          label="Owner consents in writing to a short clip"
          options={YES_NO}
          columns={2}
          value={yesNo(now.short_clip_consent)}
          onChange={(v) => put({ short_clip_consent: v === 'yes' })}
        />
      </div>
    </>
  );
}

/** Any of several, each a finger's size. */
function Several<T extends string>(props: {
  label: string;
  options: Option<T>[];
  chosen: T[];
  onChange: (chosen: T[]) => void;
}) {
  const { chosen } = props;
  return (
    <fieldset className="pt-2">
      <legend className="text-sm text-soft">{props.label}</legend>
      <div className="grid grid-cols-3">
        {props.options.map(({ value, label }) => {
          const isOn = chosen.includes(value);
          return (
            <button
              key={value}
              type="button"
              aria-pressed={isOn}
              className="-ml-px -mt-px min-h-12 border border-ink px-1 leading-tight aria-pressed:taped"
              onClick={() =>
                props.onChange(isOn ? chosen.filter((one) => one !== value) : [...chosen, value])
              }
            >
              {label}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
