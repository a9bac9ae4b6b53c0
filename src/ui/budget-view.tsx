import type { ComponentText } from '@/core/certificate/version-2';

interface Props {
  budget: ComponentText[];
  standard: string;
  k: string;
  kReason?: string | undefined;
  effectiveDof: string | null;
  coverage: string;
  expanded: string;
  unit: string;
}

const DISTRIBUTION: Record<ComponentText['distribution'], string> = {
  normal: 'normal',
  rectangular: 'rectangle',
  triangular: 'triangle',
  uShaped: 'U-shape',
  t: 'readings',
};

/** A budget: what makes up an uncertainty, largest first, each with where its number comes from and its share. */
export function BudgetView({ budget, standard, k, kReason, effectiveDof, coverage, expanded, unit }: Props) {
  const variance = Number(standard) ** 2;
  const lines = [...budget].sort((a, b) => Number(b.contribution) - Number(a.contribution));
  const short = (text: string) => String(Number(Number(text).toPrecision(3)));
  return (
    <div className="budget" data-testid="budget">
      <table className="table table-sm mb-1">
        <thead>
          <tr>
            <th>Component</th>
            <th>Where it comes from</th>
            <th className="text-end">u</th>
            <th className="text-end">c</th>
            <th className="text-end">u·c, {unit}</th>
            <th style={{ width: '22%' }}>Share of the variance</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((one, index) => {
            const share = variance > 0 ? (Number(one.contribution) ** 2 / variance) * 100 : 0;
            return (
              <tr key={index}>
                <td>
                  {one.name} <span className="quiet small">{DISTRIBUTION[one.distribution]}</span>
                </td>
                <td className="small">{one.basis}</td>
                <td className="mono text-end">{short(one.standard)}</td>
                <td className="mono text-end">{short(one.sensitivity)}</td>
                <td className="mono text-end">{short(one.contribution)}</td>
                <td>
                  <span className="budget-bar" aria-hidden="true">
                    <span style={{ width: `${Math.max(1, share)}%` }} />
                  </span>{' '}
                  <span className="mono small">{share < 1 ? '< 1' : share.toFixed(0)} %</span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="small mb-0">
        u = <span className="mono">{short(standard)}</span> {unit}, k = <span className="mono">{k}</span> for{' '}
        {Number((Number(coverage) * 100).toFixed(2))} %{effectiveDof && `, ${short(effectiveDof)} effective degrees of freedom`}:
        U = <strong className="mono">{expanded}</strong> {unit}.{kReason && ` ${kReason[0]!.toUpperCase()}${kReason.slice(1)}.`}
      </p>
    </div>
  );
}
