import { useEffect } from 'react';
import { useCatalogue } from '../../shared/api/salon';
import { PlainPage } from '../../shared/ui/states';

/** What Veliform is, and what it is not. */
export function AboutScreen() {
  const words = useCatalogue();
  useEffect(() => {
    document.title = 'About · Veliform';
  }, []);
  return (
    <PlainPage head="About Veliform">
      <p>
        Veliform draws the dog under its coat to scale, and works out where hair stays and where it
        goes so that the outline looks balanced.
      </p>
      <p>
        Shapes, lengths and weights are modelling choices and common practice; each is said so in
        the method. What you measure always wins over what is estimated.
      </p>
      <p className="border-l-4 border-pin pl-3 font-bold">{words.data?.standing_caution}</p>
      <p>Nothing here diagnoses. A finding means: have a vet look at this.</p>
      <p>
        <a href="/notices.txt" className="inline-flex min-h-12 items-center underline">
          What Veliform is built with, and the licences of it
        </a>
      </p>
    </PlainPage>
  );
}
