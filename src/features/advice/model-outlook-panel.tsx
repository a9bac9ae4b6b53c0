import { say } from '@/core/words/say';
import { dayTime } from '@/ui/format';
import { LazyLivesChart } from './lazy-lives-chart';
import type { ModelOutlook } from './server/model-outlook';
import '@/core/words/en/advice';
import '@/core/words/en/model-outlook';

const percent = (share: number) => (share * 100).toFixed(0);

/** What the instruments of a model say together: how often they are found within, how long their sensors serve, what fails most. */
export function ModelOutlookPanel({ outlook, zone }: { outlook: ModelOutlook; zone: string }) {
  const { within, visits, lower, upper, lives, fails, drift } = outlook;
  const worst = fails.filter((one) => one.outside > 0);
  return (
    <section className="sheet mt-3" data-testid="model-outlook">
      <h2>{say({ code: 'modelOutlook.title' })}</h2>
      <p className="fs-5">
        {say({
          code: 'modelOutlook.share',
          numbers: { within, visits, percent: percent(within / visits), lower: percent(lower), upper: percent(upper) },
        })}
      </p>
      <div className="row g-4">
        <div className="col-lg-6">
          <h3 className="fs-6">{say({ code: 'modelOutlook.lives' })}</h3>
          {lives.length === 0 ? (
            <p className="quiet">{say({ code: 'modelOutlook.noLives' })}</p>
          ) : (
            <>
              <LazyLivesChart lives={lives} />
              {lives.map((one) => (
                <p key={one.role} className="small mb-1">
                  <strong>{one.label}</strong>{' '}
                  {say({
                    code: 'modelOutlook.life',
                    numbers: {
                      sensors: one.sensors,
                      ended: one.ended,
                      median: one.median === null ? 0 : Math.round(one.median / 30.4375),
                    },
                  })}
                </p>
              ))}
            </>
          )}
        </div>
        <div className="col-lg-6">
          <h3 className="fs-6">{say({ code: 'modelOutlook.fails' })}</h3>
          {worst.length === 0 && <p className="quiet">{say({ code: 'modelOutlook.noFails' })}</p>}
          {worst.map((one) => (
            <div key={one.label} className="d-flex gap-2 align-items-center mb-1">
              <span style={{ width: '9rem' }}>{one.label}</span>
              <progress className="flex-grow-1" style={{ accentColor: 'var(--outside)' }} max={one.of} value={one.outside} />
              <span className="mono small text-nowrap">
                {say({ code: 'modelOutlook.of', numbers: { outside: one.outside, of: one.of } })}
              </span>
            </div>
          ))}
          <h3 className="fs-6 mt-3">{say({ code: 'modelOutlook.drift' })}</h3>
          {drift.length === 0 && <p className="quiet">{say({ code: 'modelOutlook.noDrift' })}</p>}
          {drift.map((one) => (
            <p key={one.role} className="small mb-1">
              <strong>{one.label}</strong>{' '}
              {say({
                code: 'modelOutlook.goes',
                numbers: {
                  perMonth: `${one.perMonth < 0 ? '−' : '+'}${Math.abs(one.perMonth).toFixed(1)}`,
                  spread: one.spread.toFixed(1),
                  noise: one.noise.toFixed(0),
                  sensors: one.sensors,
                },
              })}
            </p>
          ))}
        </div>
      </div>
      <p className="quiet small mb-0">{say({ code: 'advice.madeAt', numbers: { at: dayTime(outlook.madeAt, zone) } })}</p>
    </section>
  );
}
