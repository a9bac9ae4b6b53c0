'use client';
import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { Link } from '@/ui/link';
import { VerdictMark } from '@/ui/verdict-mark';
import { attempt } from '@/platform/client/result';
import { endChartAction, explainPointAction, strikePointAction } from './actions';
import { KeepValue } from './keep-value';
import { LazyControlChart } from './lazy-control-chart';
import type { ChartPage } from './server/read-charts';
import { WithWhy } from './with-why';
import '@/core/words/en/control';

interface Props {
  page: ChartPage;
  zone: string;
  may: { bench: boolean; approve: boolean };
}

/** One chart: a value more, the picture, and each value with what became of it. */
export function ChartView({ page, zone, may }: Props) {
  const { chart, limits } = page;
  const open = chart.endedAt === null;
  return (
    <>
      <section className="sheet mb-3">
        <p className="mb-2">
          {say({ code: `control.kind.${chart.kind}` })}
          {chart.how && `: ${chart.how}`}
          {chart.referenceId && (
            <>
              {' · '}
              {say({ code: 'control.watches' })} <Link href={`/shelf/${chart.referenceId}`}>{page.reference}</Link>
            </>
          )}
        </p>
        {chart.endedAt && (
          <p className="notice">
            {say({ code: 'control.endedLine', numbers: { by: chart.endedBy ?? '', why: chart.endedWhy ?? '' } })}
          </p>
        )}
        {open && may.bench && <KeepValue chartId={chart.id} unit={chart.unit} few={limits === null} />}
      </section>
      {page.points.some((one) => one.counts) && (
        <section className="sheet mb-3" data-testid="control-picture">
          <LazyControlChart page={page} />
          {limits && (
            <p className="quiet small mb-0">
              {say({
                code: 'control.limits',
                numbers: {
                  centre: limits.centre.toPrecision(5),
                  sigma: limits.sigma.toPrecision(2),
                  unit: chart.unit,
                  n: limits.n,
                },
              })}
            </p>
          )}
        </section>
      )}
      {page.points.length > 0 && (
        <section className="sheet mb-3">
          <table className="table mb-0" data-testid="control-points">
            <thead>
              <tr>
                <th>{say({ code: 'control.at' })}</th>
                <th>{chart.unit}</th>
                <th>{say({ code: 'control.by' })}</th>
                <th>{say({ code: 'control.says' })}</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {page.points.toReversed().map((point) => (
                <Value key={point.id} point={point} zone={zone} may={may} open={open} />
              ))}
            </tbody>
          </table>
        </section>
      )}
      {open && may.bench && (
        <WithWhy
          title={say({ code: 'control.end' })}
          label={say({ code: 'control.why' })}
          send={(why) => attempt(() => endChartAction({ chartId: chart.id, why }))}
        />
      )}
    </>
  );
}

function Value({
  point,
  zone,
  may,
  open,
}: {
  point: ChartPage['points'][number];
  zone: string;
  may: Props['may'];
  open: boolean;
}) {
  const waits = point.rule !== null && !point.explainedAt && !point.struckAt;
  return (
    <tr className={point.struckAt ? 'quiet text-decoration-line-through' : undefined}>
      <td className="text-nowrap">{dayTime(point.at, zone)}</td>
      <td className="mono fw-semibold">{point.text}</td>
      <td>
        {point.by}
        {point.note && <span className="d-block small quiet">{point.note}</span>}
      </td>
      <td>
        {point.rule ? (
          <VerdictMark state={waits ? 'outside' : 'cannotTell'} word={say({ code: `control.rule.${point.rule}` })} />
        ) : (
          <span className="quiet">{say({ code: point.mean === null ? 'control.drawn' : 'control.ok' })}</span>
        )}
        {point.explained && (
          <span className="d-block small">
            {say({
              code: 'control.explainedLine',
              numbers: { by: point.explainedBy ?? '', at: dayTime(point.explainedAt!, zone), why: point.explained },
            })}
          </span>
        )}
        {point.struckAt && (
          <span className="d-block small">
            {say({ code: 'control.struckLine', numbers: { by: point.struckBy ?? '', why: point.struckWhy ?? '' } })}
          </span>
        )}
      </td>
      <td>
        {waits && may.approve && (
          <WithWhy
            title={say({ code: 'control.explain' })}
            label={say({ code: 'control.explained' })}
            anew
            send={(explained, anew) => attempt(() => explainPointAction({ pointId: point.id, explained, anew }))}
          />
        )}
        {open && !point.struckAt && (waits ? may.approve : may.bench) && (
          <WithWhy
            title={say({ code: 'control.strike' })}
            label={say({ code: 'control.why' })}
            send={(why) => attempt(() => strikePointAction({ pointId: point.id, why }))}
          />
        )}
      </td>
    </tr>
  );
}
