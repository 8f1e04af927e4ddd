import type { Schemas } from '../../shared/api/client';
import { MarginHead } from '../../shared/ui/controls';
import { useVisitWork } from '../../shared/visit/context';
import { AngleField } from './AngleField';
import { BendRow } from './BendRow';
import { FeltRow } from './FeltRow';
import { MeasureField } from './MeasureField';
import { StopStillSo } from './StillSo';

/** Everything a hand can find, in the order it travels. */
export function StopList({ method }: { method: Schemas['Method'] }) {
  const { words } = useVisitWork();
  const derived = words.angles.filter((a) => !a.can_be_taken);
  return (
    <>
      {words.stops.map((stop) => (
        <section key={stop.stop} aria-label={stop.label}>
          <MarginHead>{stop.label}</MarginHead>
          <StopStillSo findings={stop.findings} label={stop.label} />
          {stop.findings.map((f) => (
            <FindingRow key={`${f.of}:${f.which}`} finding={f} method={method} />
          ))}
        </section>
      ))}
      <section aria-label="Angles from the landmarks">
        <MarginHead>Angles from the landmarks</MarginHead>
        {derived.map((word) => (
          <AngleField key={word.angle} word={word} canPart={false} />
        ))}
      </section>
    </>
  );
}

function FindingRow({
  finding,
  method,
}: {
  finding: Schemas['Finding'];
  method: Schemas['Method'];
}) {
  const { words } = useVisitWork();
  if (finding.of === 'measure') {
    const word = words.measures.find((w) => w.measure === finding.which);
    return word ? <MeasureField word={word} method={method} canPart /> : null;
  }
  if (finding.of === 'angle') {
    const word = words.angles.find((w) => w.angle === finding.which);
    return word ? <AngleField word={word} canPart /> : null;
  }
  // Straight and well bent are one row of five.
  if (finding.which === 'straight_behind') return <BendRow />;
  if (finding.which === 'well_bent') return null;
  const word = words.felt.find((w) => w.felt === finding.which);
  return word ? <FeltRow word={word} canPart /> : null;
}
