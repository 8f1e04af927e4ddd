import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { Schemas } from '../../shared/api/client';
import { Plain, Said } from '../../shared/ui/controls';
import { Asked } from './Asked';
import { visitsText } from './words';

/** Says what goes with a dog or an owner, offers to take it out as files first. */
export function Gone(props: {
  who: string;
  /** What goes, the beginning of a sentence. */
  what: string;
  dogs: { id: string; name: string }[];
  belongings: () => Promise<Schemas['WhatGoes']>;
  forget: () => Promise<unknown>;
  onClose: () => void;
}) {
  const { who, dogs } = props;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const all = useQuery({
    queryKey: ['belongings', ...dogs.map((dog) => dog.id)],
    queryFn: props.belongings,
    staleTime: 0,
  });
  const forget = useMutation({
    mutationFn: props.forget,
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['dogs'] });
      void navigate('/');
    },
  });
  return (
    <Asked title={`Forget ${who}`} onClose={props.onClose}>
      {all.data && (
        <p>
          {props.what}, with {visitsText(all.data.visits)}, {all.data.entries} things said at them,{' '}
          {all.data.plans} saved {all.data.plans === 1 ? 'plan' : 'plans'} and {all.data.photos}{' '}
          {all.data.photos === 1 ? 'photo' : 'photos'}. It cannot be brought back, unless from{' '}
          {dogs.length === 1 ? 'its file' : 'their files'}. Copies of the salon’s data made before
          still hold it.
        </p>
      )}
      <div className="flex flex-wrap gap-3 pt-3">
        {dogs.map((dog) => (
          <a
            key={dog.id}
            href={`/api/dogs/${dog.id}/file`}
            download
            className="flex min-h-12 items-center border border-ink px-3"
          >
            {dogs.length === 1 ? 'Take it out as a file first' : `Take ${dog.name} out as a file`}
          </a>
        ))}
        <Plain disabled={!all.data || forget.isPending} onClick={() => forget.mutate()}>
          Forget {who} now
        </Plain>
      </div>
      {forget.error && <Said>{forget.error.message}</Said>}
    </Asked>
  );
}
