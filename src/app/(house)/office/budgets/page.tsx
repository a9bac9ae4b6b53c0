import { Link } from '@/ui/link';
import { UNITS_OF } from '@/core/quantity/unit';
import { isMeasurand } from '@/core/quantity/unit';
import { BudgetsRoom } from '@/features/budgets';
import { listScope, listStudies, standingTable } from '@/features/budgets/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { PROCEDURES } from '@/procedures';

export const metadata = { title: 'Budgets' };
export default page({ permission: 'bench', name: '/office/budgets' }, async ({ tx, actor, now }) => {
  const [lines, studies, settings] = [await standingTable(tx), await listStudies(tx), await readSettings(tx)];
  const scope = (await listScope(tx)).map((one) => ({ ...one, at: one.at.toISOString() }));
  const quantities = Object.entries(UNITS_OF).map(([measurand, units]) => ({ measurand, units: [...units] }));
  const points = PROCEDURES.flatMap((procedure) =>
    procedure.points.flatMap((point) =>
      procedure.channels
        .filter((channel) => point.channels.includes(channel.role))
        .flatMap((channel) => channel.measurands)
        .filter(isMeasurand)
        .map((measurand) => ({
          procedure: procedure.id,
          title: procedure.title,
          point: point.id,
          label: point.label,
          measurand,
          units: [...UNITS_OF[measurand]],
        })),
    ),
  );
  return (
    <main className="page">
      <div className="page-head">
        <h1>Budgets</h1>
        <Link className="end" href="/office">
          Office
        </Link>
      </div>
      <BudgetsRoom
        lines={lines}
        studies={studies}
        points={points}
        scope={scope}
        quantities={quantities}
        maySet={may(actor.role, 'approve')}
        today={dateIn(settings.zone, now)}
      />
    </main>
  );
});
