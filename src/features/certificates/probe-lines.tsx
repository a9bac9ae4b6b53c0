import type { CertificateContent } from '@/core/certificate';

/** What is stated of probes in water: slope, offset, cell constant, rules of computation. Nothing for gas. */
export function ProbeLines({ probes }: { probes: CertificateContent['probes'] }) {
  if (!probes?.length) return null;
  return (
    <dl className="mb-2" data-testid="probe-lines">
      {probes.map((one) => (
        <div key={one.label}>
          <dt>{one.label}</dt>
          <dd className="small mb-1">{one.lines.join('; ')}</dd>
        </div>
      ))}
    </dl>
  );
}
