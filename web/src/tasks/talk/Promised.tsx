/** What the look promises, as far along a short tape as it is much; chalk where the owner's own word stands. */
export function Promised(props: {
  name: string;
  children: React.ReactNode;
  /** How much of the tape it takes; a longer promise runs off its end. */
  share: number;
  /** Where the owner's word lies on it; null where they said none. */
  said?: { share: number; words: string } | null;
}) {
  const along = (share: number) => `${100 * Math.min(1, Math.max(0, share))}%`;
  return (
    <>
      <dt className="text-soft">{props.name}</dt>
      <dd>
        <span className="font-mono">{props.children}</span>
        {props.said && <span className="sr-only">, {props.said.words}</span>}
        <span aria-hidden="true" className="relative mb-1 block h-2.5 border-b border-line">
          <span
            className="absolute inset-y-0 left-0 taped"
            style={{ width: along(props.share) }}
            data-promised
          />
          {props.said && (
            <span
              className="absolute -inset-y-1 w-0.5 bg-chalk"
              style={{ left: along(props.said.share) }}
              data-said
            />
          )}
        </span>
      </dd>
    </>
  );
}
