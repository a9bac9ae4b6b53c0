import type { MeasurandId } from '@/core/quantity/unit';
import { Link } from '@/ui/link';
import { describeEvery } from '@/core/interval/policy';
import { probeKind } from '@/core/probe/probe-kind';
import { say } from '@/core/words/say';
import { bumpState } from '@/core/interval/bump-state';
import { OutlookPanel, type AssetOutlook, type Found } from '@/features/advice';
import { PolicyForm, UsesPanel } from '@/features/due';
import { day, dayTime } from '@/ui/format';
import { VerdictMark } from '@/ui/verdict-mark';
import type { Ahead } from './error-chart';
import { LazyErrorChart } from './lazy-chart';
import type { assetCard } from './server/asset-card';
import { RetireForm } from './retire-form';
import { toleranceText } from '@/ui/tolerance-text';
import { chartPoints } from './chart-points';
import { SamplesPanel } from './samples-panel';
import { SiteChoice } from './site-choice';
import { StatusPanel, type Standing } from './status-panel';
import { VisitsPanel } from './visits-panel';
import '@/core/words/en/advice';
import '@/core/words/en/assets';
import '@/core/words/en/certificates-room';
import '@/core/words/en/blank-sheet';

const BUMP_MARK = { ready: 'within', due: 'cannotTell', failed: 'outside', never: 'notMeasured' } as const;
type Card = NonNullable<Awaited<ReturnType<typeof assetCard>>>;
const SCOPE = { asset: 'this instrument', customerModel: 'this customer’s model', customer: 'the customer', model: 'the model' };

/** An instrument's card: who it is, what stands against it, what was found at every visit. */
export function AssetView({
  card,
  zone,
  mayReceive,
  mayBench,
  mayApprove,
  standing,
  now,
  today,
  outlook,
  found,
}: {
  card: Card;
  zone: string;
  mayReceive: boolean;
  mayBench: boolean;
  mayApprove: boolean;
  standing: Standing | null;
  now: string;
  /** In the workshop's zone. */
  today: string;
  outlook: AssetOutlook;
  found: Found[];
}) {
  const { asset, model, customer, channels, open } = card;
  const curves = chartPoints(found);
  const timed = Object.keys(card.response).length > 0;
  const atStation = card.station.find((one) => one.intervalDays !== null);
  const bump = bumpState({ bumpedAt: asset.bumpedAt?.toISOString() ?? null, passed: asset.bumpPassed, now });
  return (
    <>
      <div className="page-head">
        <h1>
          <Link className="row-link" href={`/models/${asset.modelId}`}>
            {asset.maker} {model.name}
          </Link>
        </h1>
        <span className="mono fs-5">{asset.serial}</span>
        {asset.tag && <span className="mono quiet">{asset.tag}</span>}
        <span className="end">
          {(asset.part !== 'body' || card.channels.some((channel) => probeKind(channel.measurand as MeasurandId))) && (
            <Link className="btn btn-plain" href={`/assets/${asset.id}/probe`}>
              {asset.part === 'body' ? 'Probe sheet' : 'Electrode sheet'}
            </Link>
          )}
          {mayBench && (
            <a className="btn btn-plain" href={`/paper/${asset.modelId}?asset=${asset.id}`} target="_blank">
              {say({ code: 'blank.print' })}
            </a>
          )}
          {open && (
            <Link className="btn btn-plain" href={open.runId ? `/runs/${open.runId}` : `/tickets/${open.id}`}>
              In the house: {open.code}
            </Link>
          )}
        </span>
      </div>
      {standing && <StatusPanel standing={standing} mayReturn={mayApprove} />}
      <div className="row g-3">
        <div className="col-lg-4">
          <div className="sheet h-100">
            <dl className="bench-facts mb-0">
              <dt className="mt-0">Kind</dt>
              <dd>{model.kind}</dd>
              <dt>Customer</dt>
              <dd>
                <Link href={`/customers/${customer.id}`}>{customer.name}</Link>
              </dd>
              {card.sites.length > 0 && (
                <>
                  <dt>{say({ code: 'assets.site' })}</dt>
                  <dd>
                    {mayReceive ? (
                      <SiteChoice assetId={asset.id} siteId={asset.siteId} sites={card.sites} />
                    ) : (
                      (card.sites.find((one) => one.id === asset.siteId)?.name ?? say({ code: 'assetSite.none' }))
                    )}
                  </dd>
                </>
              )}
              <dt>Next due</dt>
              <dd className="fs-5 fw-semibold">{day(asset.nextDue)}</dd>
              <dd className="small quiet">
                {asset.dueBasis
                  ? `${asset.dueBasis.certificate ? `${asset.dueBasis.certificate}, ` : ''}counted from ${day(asset.dueBasis.from)}; ${asset.dueBasis.reason}`
                  : 'No due date yet: it is counted from an approved calibration in tolerance.'}
              </dd>
              {card.channels.some((channel) => channel.calibrationGas) && (
                <>
                  <dt>Bump</dt>
                  <dd data-testid="bump-state">
                    <VerdictMark
                      state={BUMP_MARK[bump.state]}
                      word={{ ready: 'ready', due: 'bump due', failed: 'bump failed', never: 'no bump on record' }[bump.state]}
                    />{' '}
                    <span className="small quiet">
                      {asset.bumpedAt && `last ${dayTime(asset.bumpedAt, zone)}`}
                      {bump.state === 'ready' && `, ready until ${dayTime(bump.readyUntil!, zone)}`}
                    </span>
                  </dd>
                </>
              )}
              <dt>Interval</dt>
              {card.policies.map((policy) => (
                <dd key={policy.id}>
                  {describeEvery(policy.every)} <span className="quiet">for {SCOPE[policy.scope]}</span>
                </dd>
              ))}
              {atStation && (
                <dd className="small quiet" data-testid="station-interval">
                  {say({
                    code: 'asset.atStation',
                    numbers: { station: atStation.station, every: describeEvery({ days: atStation.intervalDays! }) },
                  })}
                </dd>
              )}
            </dl>
            {mayBench && <PolicyForm assetId={asset.id} customerId={customer.id} modelId={model.id} />}
          </div>
        </div>
        <div className="col-lg-8">
          <div className="sheet h-100">
            <h2>As-found error over time</h2>
            {curves.at.length > 1 ? (
              <>
                <p className="quiet small mb-1">
                  In per cent of the tolerance at the gas or buffer: beyond the two lines is outside.
                </p>
                <LazyErrorChart curves={curves} ahead={aheadOf(outlook)} />
                {aheadOf(outlook) && <p className="quiet small mb-0">{say({ code: 'advice.band' })}</p>}
              </>
            ) : (
              <div className="empty">After two calibrations the drift between visits is drawn here.</div>
            )}
          </div>
        </div>
      </div>
      <OutlookPanel assetId={asset.id} outlook={outlook} t90s={card.response} mayTake={mayBench} />
      {mayBench && card.asksSamples.length > 0 && (
        <SamplesPanel assetId={asset.id} asked={card.asksSamples} samples={asset.samples ?? {}} />
      )}
      {card.policies.some((policy) => policy.every.uses) && <UsesPanel assetId={asset.id} uses={card.uses} today={today} />}
      <div className="sheet mt-3">
        <h2>Channels</h2>
        <table className="table mb-0">
          <thead>
            <tr>
              <th>Channel</th>
              <th>Range</th>
              <th>Step</th>
              <th>Tolerance</th>
              <th>Sensor</th>
              {timed && <th title={say({ code: 'asset.t90Title' })}>{say({ code: 'asset.t90' })}</th>}
            </tr>
          </thead>
          <tbody>
            {channels.map((channel) => (
              <tr key={channel.id}>
                <td>
                  <strong>{channel.label}</strong> <span className="quiet">{channel.measurand}</span>
                </td>
                <td>
                  {channel.lowest} to {channel.highest} {channel.unit}
                </td>
                <td className="mono">{channel.resolution}</td>
                <td>
                  {toleranceText(agreedFor(card, channel.role)?.tolerance ?? channel.tolerance, channel.unit)}
                  {agreedFor(card, channel.role) && (
                    <span className="quiet small">
                      {' '}
                      {say({ code: 'assetTolerance.agreed', numbers: { on: day(agreedFor(card, channel.role)!.agreedOn) } })}
                    </span>
                  )}
                  {channel.scale && (
                    <span className="quiet small">
                      {' '}
                      · LEL {channel.scale.lelVolPercent} %vol ({channel.scale.source})
                      {channel.scale.relativeResponse !== '1' && ` × ${channel.scale.relativeResponse}`}
                    </span>
                  )}
                </td>
                <td>
                  {channel.status === 'fitted' ? (
                    <span className="mono">{channel.sensorSerial ?? '—'}</span>
                  ) : (
                    <span className="quiet">{channel.status === 'removed' ? 'not fitted' : 'not calibrated'}</span>
                  )}
                  {channel.installedOn && <span className="quiet small"> since {day(channel.installedOn)}</span>}
                  {channel.warrantyUntil && (
                    <span className="quiet small">
                      {' '}
                      {say({ code: 'assetChannel.warrantyUntil', numbers: { on: day(channel.warrantyUntil) } })}
                    </span>
                  )}
                </td>
                {timed && (
                  <td className="mono small" data-testid={`t90-${channel.label}`}>
                    {(card.response[channel.id] ?? []).map((one) => one.seconds.toFixed(0)).join(' · ') || '—'}
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <VisitsPanel assetId={asset.id} visits={card.runs} more={card.more} zone={zone} />
      <StationHistory station={card.station} zone={zone} />
      {(asset.status === 'retired' ? mayApprove : mayBench) && (
        <RetireForm key={asset.status} assetId={asset.id} retired={asset.status === 'retired'} />
      )}
    </>
  );
}

const agreedFor = ({ agreed }: Card, role: string) => agreed.find((one) => one.role === role);

/** Bumps and calibrations by a station, marked as such. */
function StationHistory({ station, zone }: { station: Card['station']; zone: string }) {
  if (station.length === 0) return null;
  return (
    <div className="sheet mt-3">
      <h2>
        At a station <span className="quiet fs-6 fw-normal">imported, not made at this bench</span>
      </h2>
      <table className="table mb-0">
        <thead>
          <tr>
            <th>Date</th>
            <th>Station</th>
            <th>What</th>
            <th>Result</th>
            <th>Gas</th>
          </tr>
        </thead>
        <tbody>
          {station.map((one) => (
            <tr key={one.id}>
              <td>{dayTime(one.at, zone)}</td>
              <td>{one.station}</td>
              <td>{one.kind}</td>
              <td>
                <VerdictMark state={one.passed ? 'within' : 'outside'} word={one.passed ? 'passed' : 'failed'} />
              </td>
              <td className="mono">{one.gases.map((gas) => gas.lot).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Where the next as-found error of each channel lies, for the chart; null where nothing is forecast. */
function aheadOf(outlook: AssetOutlook): Ahead | null {
  const channels = outlook.channels.filter((one) => one.forecast);
  if (!outlook.on || channels.length === 0) return null;
  return {
    at: Date.parse(outlook.on),
    bands: Object.fromEntries(channels.map(({ label, forecast }) => [label, forecast!])),
    newSensors: outlook.channels.flatMap(({ label, newSensors }) => newSensors.map((at) => ({ at: Date.parse(at), label }))),
  };
}
