import { useMutation } from '@tanstack/react-query';
import { useRef } from 'react';
import { Plain, Said } from './controls';

/** Brings in a file of ours; what it brought, or why it did not, is said beside it. */
export function BringFile(props: {
  /** What the control says. */
  label: string;
  /** What kind of file is wanted. */
  kind: string;
  /** Brings its text in and says what is here now. */
  bring: (text: string) => Promise<string>;
}) {
  const input = useRef<HTMLInputElement>(null);
  const bringing = useMutation({
    mutationFn: async (file: File) => props.bring(await file.text()),
  });
  return (
    <div className="flex flex-wrap items-center gap-4">
      <Plain disabled={bringing.isPending} onClick={() => input.current?.click()}>
        {props.label}
      </Plain>
      <input
        ref={input}
        type="file"
        accept="application/json,.json"
        className="hidden"
        aria-label={props.kind}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) bringing.mutate(file);
          e.target.value = '';
        }}
      />
      {bringing.error && <Said>{bringing.error.message}</Said>}
      {bringing.data && <p role="status">{bringing.data}</p>}
    </div>
  );
}
