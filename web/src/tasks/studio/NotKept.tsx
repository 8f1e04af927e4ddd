import type { Failure } from '../../shared/api/client';
import { Plain, Said } from '../../shared/ui/controls';

/** Why a card was not kept, where no field says it; corrected meanwhile, it can be shown as it stands. */
export function NotKept(props: { failure: Failure | null; onShow: () => void }) {
  const { failure } = props;
  if (!failure || failure.fields.length > 0) return null;
  return (
    <div className="md:col-span-2">
      <Said>{failure.message}</Said>
      {failure.kind === 'changed' && <Plain onClick={props.onShow}>Show it as it stands now</Plain>}
    </div>
  );
}
