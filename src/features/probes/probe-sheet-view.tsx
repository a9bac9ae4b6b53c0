import { Link } from '@/ui/link';
import { nernstSlope } from '@/core/ph/nernst-slope';
import { day } from '@/ui/format';
import { DayOf } from '@/ui/zone';
import { VerdictMark } from '@/ui/verdict-mark';
import { LazyElectrodeChart, LazyTrendChart } from './lazy-charts';
import type { ProbeSheet } from './server';

type Channel = ProbeSheet['channels'][number];
const STATE = { good: 'within', caution: 'cannotTell', fail: 'outside' } as const;
const FIGURE: Record<Channel['kind'], [title: string, unit: string]> = {
  pH: ['Slope', '%'],
  ion: ['Slope a decade', '%'],
  oxygen: ['Share of air as found', '%'],
  conductivity: ['Share of the standard as found', '%'],
  orp: ['Shown of the standard', '%'],
  temperature: ['', ''],
};
const SHOWN = 60;

/** The electrode sheet: condition in words, millivolts against pH with earlier calibrations behind, the slope over time with its forecast, every calibration. */
export function ProbeSheetView({ sheet }: { sheet: ProbeSheet }) {
  const { asset, model, customer, channels, places } = sheet;
  return (
    <>
      <div className="page-head">
        <h1>
          {asset.maker} {model}: {asset.part === 'body' ? 'probes' : 'electrode sheet'}
        </h1>
        <Link className="mono fs-5" href={`/assets/${asset.id}`}>
          {asset.serial}
        </Link>
        <span className="quiet">{customer}</span>
        <span className="end">
          {asset.part === 'probe' && (
            <span>
              {asset.readyUntil ? `ready until ${day(asset.readyUntil)}` : 'not ready'} · <Link href="/probes">ready probes</Link>
            </span>
          )}
        </span>
      </div>
      {channels.length === 0 && (
        <div className="empty">
          The first finished calibration draws this sheet: slope, offset, cell constant, and how they change.
        </div>
      )}
      {channels.map((channel) => (
        <ChannelSheet key={channel.label} channel={channel} />
      ))}
      {places.length > 0 && (
        <div className="sheet mt-3">
          <h2>Where it was</h2>
          <table className="table mb-0">
            <tbody>
              {places.map((one) => (
                <tr key={one.id}>
                  <td className="text-nowrap">
                    <DayOf at={one.fromAt} /> to {one.untilAt ? <DayOf at={one.untilAt} /> : 'now'}
                  </td>
                  <td>{one.other ? <Link href={`/assets/${one.otherId}`}>{one.other}</Link> : 'workshop'}</td>
                  <td>{one.place}</td>
                  <td className="quiet small">
                    {one.by} {one.note}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </>
  );
}

function ChannelSheet({ channel }: { channel: Channel }) {
  const { rows, words, kind, label, history } = channel;
  const now = rows.at(-1)!;
  const [title, unit] = FIGURE[kind];
  const lines = rows
    .map((row) => ({
      on: day(row.on),
      points: row.points.flatMap((one) => (one.millivolts === undefined ? [] : [{ pH: one.value, millivolts: one.millivolts }])),
    }))
    .filter((line) => line.points.length > 1);
  const trend = history.filter((one) => one.slopePercent !== null);
  return (
    <section className="sheet mb-3 probe-sheet" aria-label={label} data-testid={`probe-${label}`}>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <h2 className="mb-0">{label}</h2>
        <VerdictMark state={STATE[words.condition]} word={words.condition} />
        <strong>{words.sentence}</strong>
      </div>
      <p className="mb-1" data-testid="forecast">
        {words.forecast ? words.forecast.sentence : <span className="quiet">{words.noForecast}</span>}
      </p>
      <div className="row g-3">
        {kind === 'pH' && lines.at(-1)?.on === day(now.on) && (
          <div className="col-lg-6">
            <h3 className="fs-6">
              Millivolts against pH <span className="quiet">earlier ones faint, dashed: a perfect glass</span>
            </h3>
            <LazyElectrodeChart
              now={lines.at(-1)!}
              earlier={lines.slice(0, -1)}
              slope={nernstSlope({ temperatureC: now.points[0]?.temperatureC ?? 25 })}
            />
          </div>
        )}
        {trend.length > 1 && (
          <div className="col-lg-6">
            <h3 className="fs-6">
              {title} over time <span className="quiet">solid line: its limit; shaded: where the next one will lie, 95 %</span>
            </h3>
            <LazyTrendChart
              points={trend.map((one) => ({ at: Date.parse(one.date), value: one.slopePercent!, care: one.care.join(', ') }))}
              band={
                words.forecast?.trend.band.map((one) => ({
                  at: Date.parse(one.date),
                  line: one.line,
                  range: [one.low, one.high] as [number, number],
                })) ?? []
              }
              limit={words.forecast?.limit ?? LIMIT[kind] ?? null}
              unit={unit}
            />
            <ul className="small mb-0 ps-3">
              {words.reasons.map((reason) => (
                <li key={reason}>{reason}</li>
              ))}
            </ul>
          </div>
        )}
      </div>
      <Calibrations rows={rows.slice(-SHOWN)} kind={kind} />
    </section>
  );
}

const LIMIT: Partial<Record<Channel['kind'], number>> = { pH: 90, ion: 90, oxygen: 75, conductivity: 90 };

function Calibrations({ rows, kind }: { rows: Channel['rows']; kind: Channel['kind'] }) {
  const figure = (value: number | null, places: number) => (value === null ? '' : value.toFixed(places).replace('-', '−'));
  const slope = kind === 'pH' || kind === 'ion';
  return (
    <div className="probe-table">
      <table className="table mb-0 mt-2">
        <thead>
          <tr>
            <th>Calibrated</th>
            <th className="text-end">{slope ? 'Slope, %' : 'As found, %'}</th>
            {slope && <th className="text-end">Offset, mV</th>}
            {kind === 'ion' && <th className="text-end">mV a decade</th>}
            {kind === 'conductivity' && <th className="text-end">Cell constant, 1/cm</th>}
            <th className="text-end">Response, s</th>
            <th>Points</th>
            <th>As left</th>
            <th>Certificate</th>
          </tr>
        </thead>
        <tbody>
          {[...rows].reverse().map((row) => (
            <tr key={`${row.runId}/${row.channel}`}>
              <td className="text-nowrap">
                {day(row.on)}
                {row.care.length > 0 && <span className="d-block small quiet">{row.care.join(', ')}</span>}
              </td>
              <td className="mono text-end">{figure(row.slopePercent, 1)}</td>
              {slope && <td className="mono text-end">{figure(row.offsetMv, 1)}</td>}
              {kind === 'ion' && <td className="mono text-end">{figure(row.mvPerDecade, 1)}</td>}
              {kind === 'conductivity' && <td className="mono text-end">{figure(row.cellConstant, 3)}</td>}
              <td className="mono text-end">{figure(row.responseSeconds, 0)}</td>
              <td className="small">{row.points.map((one) => one.label).join(', ')}</td>
              <td>
                <VerdictMark state={row.asLeft} />
              </td>
              <td>
                {row.certificateId && (
                  <Link className="mono" href={`/certificates/${row.certificateId}`}>
                    {row.number}
                  </Link>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
