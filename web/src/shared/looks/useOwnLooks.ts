import type { Schemas } from '../api/client';
import { type House, usePutHouse } from '../api/salon';
import { useVisitWork } from '../visit/context';

type OwnLook = Schemas['OwnLook'];

/** The salon's own looks, and the one that this dog gets: what changes there changes here. */
export function useOwnLooks() {
  const { house, evaluation, say } = useVisitWork();
  const put = usePutHouse();
  const keep = (looks: OwnLook[], onKept?: () => void) =>
    put.mutate({ ...house, own_looks: looks }, onKept ? { onSuccess: onKept } : {});
  const choose = (own: OwnLook | null) => say({ kind: 'own_look_set', own });
  return {
    all: house.own_looks,
    chosen: evaluation.visit.own_look ?? null,
    error: put.error,
    choose,
    /** Keeps a look changed, in the salon and on this dog; what else of the salon changes goes along. */
    change: (own: OwnLook, also: Partial<House> = {}) => {
      const own_looks = house.own_looks.map((look) => (look.id === own.id ? own : look));
      put.mutate({ ...house, ...also, own_looks });
      choose(own);
    },
    add: (own: OwnLook, onKept: () => void) =>
      keep([...house.own_looks, own], () => {
        choose(own);
        onKept();
      }),
    putAway: (own: OwnLook, isPutAway: boolean) => {
      const said = { ...own, is_put_away: isPutAway };
      keep(house.own_looks.map((look) => (look.id === own.id ? said : look)));
    },
  };
}
