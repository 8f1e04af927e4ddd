import { useOwnTypes } from '../../shared/api/salon';
import { useVisitWork } from '../../shared/visit/context';

/** What the estimates start from: a type's usual proportions, with their source. */
export function TypeRow() {
  const work = useVisitWork();
  const own = useOwnTypes();
  const { frame } = work.evaluation.visit;
  const word = work.words.builds.find((b) => b.build === frame.build);
  const chosen = frame.own_type ? `own:${frame.own_type.id}` : frame.build;
  return (
    <div className="pb-2">
      <label className="block">
        <span className="font-bold">Estimates start from</span>
        <select
          className="mt-1 min-h-12 w-full border border-ink bg-sheet px-2"
          value={chosen}
          onChange={(e) => {
            const type = own.data?.find((t) => `own:${t.id}` === e.target.value);
            const build = work.words.builds.find((b) => b.build === e.target.value);
            if (type) work.say({ kind: 'own_type_set', own_type: type });
            else if (build) {
              if (frame.own_type) work.say({ kind: 'own_type_set', own_type: null });
              work.say({ kind: 'build_set', build: build.build });
            }
          }}
        >
          {work.words.builds.map((b) => (
            <option key={b.build} value={b.build}>
              {b.label}
            </option>
          ))}
          {own.data?.map((t) => (
            <option key={t.id} value={`own:${t.id}`}>
              {t.name}, our own
            </option>
          ))}
        </select>
      </label>
      <p className="text-sm text-soft">
        {frame.own_type
          ? `From our own measured dogs: ${Object.keys(frame.own_type.shares).length} proportions.`
          : word?.source}
      </p>
    </div>
  );
}
