import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import type { LotFound } from './server/lot-witnesses';
import '@/core/words/en/witness';

/** A chance as people read it. */
const chance = (probability: number): string =>
  probability < 0.0001
    ? '< 1 : 10 000'
    : probability > 0.1
      ? `${Math.round(100 * probability)} %`
      : `1 : ${Math.round(1 / probability)}`;

const sentence = (one: Pick<LotFound, 'lot' | 'substance' | 'instruments' | 'shift' | 'probability'>): string =>
  say({
    code: 'witness.low',
    numbers: {
      lot: one.lot,
      substance: one.substance,
      instruments: one.instruments,
      shift: Math.abs(one.shift).toFixed(1),
      chance: chance(one.probability),
    },
  });

/** Lots against which instruments read low together, above the shelf: before sensors are thrown away. */
export function LowLots({ lots }: { lots: readonly LotFound[] }) {
  return (
    <>
      {lots.map((one) => (
        <p className="notice" key={`${one.referenceId}${one.substance}`} data-testid="low-lot">
          {sentence(one)} {say({ code: 'witness.what' })}{' '}
          <Link href={`/shelf/${one.referenceId}#witness`}>{say({ code: 'witness.see' })}</Link>
        </p>
      ))}
    </>
  );
}

/** What the instruments bear witness of, on a bottle's own page: low or not, with the figures it rests on. */
export function WitnessPanel({ found, at, zone }: { found: readonly LotFound[]; at: Date | null; zone: string }) {
  if (found.length === 0 || !at) return null;
  return (
    <section className="sheet my-3" id="witness" data-testid="witness">
      <h2>{say({ code: 'witness.title' })}</h2>
      <table className="table mb-2">
        <thead>
          <tr>
            {(['gas', 'instruments', 'earlier', 'shift', 'explained', 'chance'] as const).map((name) => (
              <th key={name}>{say({ code: `witness.head.${name}` })}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {found.map((one) => (
            <tr key={one.substance}>
              <td>{one.substance}</td>
              <td className="mono">{one.instruments}</td>
              <td className="mono">{one.earlier}</td>
              <td className="mono">{one.shift.toFixed(1)} %</td>
              <td className="mono">± {one.explained.toFixed(1)} %</td>
              <td className="mono">{chance(one.probability)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {found
        .filter((one) => one.suspicious)
        .map((one) => (
          <p className="notice" key={one.substance}>
            {sentence(one)} {say({ code: 'witness.what' })}
          </p>
        ))}
      <p className="quiet small mb-0">{say({ code: 'witness.how', numbers: { at: dayTime(at, zone) } })}</p>
    </section>
  );
}
