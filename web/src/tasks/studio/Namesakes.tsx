import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, type Schemas } from '../../shared/api/client';
import { Plain, Said } from '../../shared/ui/controls';

type Owner = Schemas['OwnerWithDogs'];

/** Dogs whose owner is called the same are one owner’s, until they are told apart here. */
export function Namesakes(props: { id: string; owner: Owner; again: () => void }) {
  const { id, owner } = props;
  const queries = useQueryClient();
  const onSuccess = async () => {
    await queries.invalidateQueries({ queryKey: ['dog'] });
    props.again();
  };
  const apart = useMutation({
    mutationFn: (dog: string) =>
      ask(api.POST('/api/dogs/{id}/owner/apart', { params: { path: { id: dog } } })),
    onSuccess,
  });
  const same = useMutation({
    mutationFn: (dog: string) =>
      ask(
        api.POST('/api/dogs/{id}/owner/same', {
          params: { path: { id } },
          body: { with: dog },
        }),
      ),
    onSuccess,
  });
  const others = owner.dogs.filter((dog) => dog.id !== id);
  const error = apart.error ?? same.error;
  return (
    <>
      {owner.name !== '' && others.length > 0 && (
        <div className="flex flex-wrap items-center gap-3 pt-3">
          <span>Is one of them somebody else’s, who is called the same?</span>
          {others.map((dog) => (
            <Plain key={dog.id} onClick={() => apart.mutate(dog.id)} disabled={apart.isPending}>
              {dog.name} is
            </Plain>
          ))}
        </div>
      )}
      {owner.namesakes_dogs.length > 0 && (
        <div className="flex flex-wrap items-center gap-3 pt-3">
          <span>Somebody else is called the same. Is it the same person after all?</span>
          {owner.namesakes_dogs.map((dog) => (
            <Plain key={dog.id} onClick={() => same.mutate(dog.id)} disabled={same.isPending}>
              {dog.name} is theirs too
            </Plain>
          ))}
        </div>
      )}
      {error && <Said>{error.message}</Said>}
    </>
  );
}
