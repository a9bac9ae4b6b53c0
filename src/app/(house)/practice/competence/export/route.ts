import { competenceCsv } from '@/features/competence/server';
import { dateIn } from '@/platform/clock';
import { route } from '@/platform/route';
import { readSettings } from '@/platform/settings';
import { tableResponse } from '@/platform/table-response';

export const GET = route({ permission: 'signedIn', name: '/practice/competence/export' }, async ({ tx, now, request }) =>
  tableResponse(await competenceCsv(tx, dateIn((await readSettings(tx)).zone, now)), 'competence', request),
);
