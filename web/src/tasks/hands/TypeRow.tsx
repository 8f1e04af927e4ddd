import { useOwnTypes } from '../../shared/api/salon';
import { useVisitWork } from '../../shared/visit/context';
import { Pick } from '../../shared/ui/Pick';

/** What the estimates start from: a type's usual proportions, with their source. */
export function TypeRow() {
  const work = useVisitWork();
  const own = useOwnTypes();
  const { frame } = work.evaluation.visit;
  const word = work.words.builds.find((b) => b.build === frame.build);
  const chosen = frame.own_type ? `own:${frame.own_type.id}` : frame.build;
  return (
    <div className="pb-2">
      <p className="pt-2 font-bold" aria-hidden="true">
        Estimates start from
      </p>
      <Pick
        label="Estimates start from"
        hideLabel
        options={[
          ...work.words.builds.map((b) => ({ value: b.build, label: b.label })),
          ...(own.data ?? []).map((t) => ({ value: `own:${t.id}`, label: `${t.name}, our own` })),
        ]}
        value={chosen}
        onPick={(value) => {
          const type = own.data?.find((t) => `own:${t.id}` === value);
          const build = work.words.builds.find((b) => b.build === value);
          if (type) work.say({ kind: 'own_type_set', own_type: type });
          else if (build) {
            if (frame.own_type) work.say({ kind: 'own_type_set', own_type: null });
            work.say({ kind: 'build_set', build: build.build });
          }
        }}
      />
      <p className="text-sm text-soft">
        {frame.own_type
          ? `From our own measured dogs: ${Object.keys(frame.own_type.shares).length} proportions.`
          : word?.source}
      </p>
    </div>
  );
}
