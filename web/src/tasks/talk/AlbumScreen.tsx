import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, type Schemas } from '../../shared/api/client';
import { Drawing } from '../../shared/sheet/Drawing';
import { WorkScreen } from '../../shared/sheet/WorkScreen';
import { BigLink } from '../../shared/ui/BigControl';
import { Pick } from '../../shared/ui/Pick';
import { Said, type Option } from '../../shared/ui/controls';
import { useSheetDrawing, useVisitWork } from '../../shared/visit/context';
import { TalkTabs } from './TalkTabs';

type Size = Schemas['DogSize'];
type Texture = Schemas['Texture'];
type Look = Schemas['LookId'];
type Page = Schemas['AlbumPage'];

/** The salon's own finished dogs, with their owners' leave, laid beside this dog's outline. */
export function AlbumScreen() {
  const work = useVisitWork();
  const { visit } = work.evaluation;
  const [size, setSize] = useState<Size | ''>(visit.frame.size);
  const [texture, setTexture] = useState<Texture | ''>(visit.coat.texture);
  const [look, setLook] = useState<Look | ''>('');
  const [chosen, setChosen] = useState<string | null>(null);
  const filter = {
    ...(size && { size }),
    ...(texture && { texture }),
    ...(look && { look }),
  };
  const album = useQuery({
    queryKey: ['album', filter],
    queryFn: () => ask(api.GET('/api/album', { params: { query: filter } })),
  });
  const pages = album.data ?? [];
  const open = pages.find((p) => p.photo === chosen) ?? pages[0] ?? null;
  return (
    <WorkScreen
      title="Album"
      sheet={<Beside page={open} />}
      margin={
        <>
          <TalkTabs />
          <Filter label="Size" value={size} options={work.words.choices.sizes} onChange={setSize} />
          <Filter
            label="Coat"
            value={texture}
            options={work.words.textures.map((t) => ({ value: t.texture, label: t.label }))}
            onChange={setTexture}
          />
          <Filter
            label="Look"
            value={look}
            options={work.words.looks.map((l) => ({ value: l.look, label: l.name }))}
            onChange={setLook}
          />
          {album.error && <Said>{album.error.message}</Said>}
          {album.data && pages.length === 0 && (
            <p className="pt-3">
              No finished dog of this kind may be shown yet. Photos get here when the owner lets
              them be shown: it is said under <b>Going home</b>.
            </p>
          )}
          <ul className="grid grid-cols-2 gap-2 pt-3">
            {pages.map((page) => (
              <li key={page.photo}>
                <button
                  type="button"
                  aria-pressed={page.photo === open?.photo}
                  className="block w-full border-2 border-line text-left aria-pressed:border-ink"
                  onClick={() => setChosen(page.photo)}
                >
                  <img src={`/api/photos/${page.photo}.jpg`} alt="" className="w-full" />
                  <span className="block p-1 text-sm leading-tight">
                    <b>{page.name}</b>, {page.look_name}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </>
      }
      next={<BigLink to={`/visit/${work.visitId}/hands`}>Feel the dog</BigLink>}
    />
  );
}

function Beside({ page }: { page: Page | null }) {
  const drawing = useSheetDrawing();
  return (
    <div className="flex min-h-0 flex-1 gap-2">
      {page && (
        <figure className="flex min-h-0 min-w-0 flex-1 flex-col justify-center bg-sheet">
          <img
            src={`/api/photos/${page.photo}.jpg`}
            alt={`${page.name}, finished as ${page.look_name}`}
            className="min-h-0 object-contain"
          />
          <figcaption className="p-2 text-sm">
            {page.name}, {page.look_name}
          </figcaption>
        </figure>
      )}
      <div className="min-w-0 flex-1 bg-sheet">
        <Drawing drawing={drawing} />
      </div>
    </div>
  );
}

function Filter<T extends string>(props: {
  label: string;
  value: T | '';
  options: Option<T>[];
  onChange: (value: T | '') => void;
}) {
  return (
    <Pick<T | null>
      label={props.label}
      options={[{ value: null, label: 'any' }, ...props.options]}
      value={props.value || null}
      onPick={(value) => props.onChange(value ?? '')}
    />
  );
}
