import { Link } from 'react-router';
import { useVisitWork } from '../visit/context';

/** Said where minutes and tools are read, as long as no blade and no comb hangs in the kit. */
export function EmptyKit() {
  const { kit } = useVisitWork();
  if (kit.some((tool) => !tool.retired)) return null;
  return (
    <p className="mb-2 border-l-4 border-tape pl-2">
      No blade or comb hangs in your kit yet, so all of it is by shears.{' '}
      <Link to="/kit" className="inline-flex min-h-11 items-center font-bold underline">
        Hang them up
      </Link>
    </p>
  );
}
