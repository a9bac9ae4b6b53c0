import { Link } from '@/ui/link';
import { say } from '@/core/words/say';
import { benchLines } from '@/features/lines/server';
import { NewReference, ShelfTable } from '@/features/shelf';
import { SHELF_KINDS, shelfAddress, shelfList } from '@/features/shelf/server';
import { LowLots } from '@/features/recall';
import { lowLots } from '@/features/recall/server';
import { dateIn } from '@/platform/clock';
import { page } from '@/platform/page';
import { may } from '@/platform/permission';
import { readSettings } from '@/platform/settings';
import { ExportLinks } from '@/ui/export-links';
import { FilterLinks } from '@/ui/list/filter-links';
import { queryOf } from '@/ui/list/list-address';
import { ListSearch } from '@/ui/list/list-search';
import '@/core/words/en/lists';
import '@/core/words/en/shelf';
import '@/core/words/en/stock';
import '@/core/words/en/control';
import '@/core/words/en/reorder';
import '@/core/words/en/suppliers';

export const metadata = { title: 'Shelf' };
export default page({ permission: 'signedIn', name: '/shelf' }, async ({ tx, now, actor, search }) => {
  const { list, asked } = shelfAddress(search);
  const today = dateIn((await readSettings(tx)).zone, now);
  const { references, more } = await shelfList(tx, asked, today);
  return (
    <main className="page">
      <div className="page-head">
        <h1>{say({ code: 'shelf.title' })}</h1>
        <span className="quiet">{say({ code: 'shelf.how' })}</span>
        <span className="end">
          <Link href="/shelf/reorder">{say({ code: 'reorder.short' })}</Link>
          <Link href="/shelf/control">{say({ code: 'control.short' })}</Link>
          <Link href="/shelf/suppliers">{say({ code: 'supplier.title' })}</Link>
          <Link href="/stock">{say({ code: 'stock.title' })}</Link>
          <Link href="/probes">Ready probes</Link>
          <Link href="/devices">Devices on a line</Link>
          <Link href="/station">Station log</Link>
          {may(actor.role, 'bench') && <Link href="/office/budgets">Budgets</Link>}
          <ExportLinks base="/shelf/export" query={queryOf(list)} />
        </span>
      </div>
      <LowLots lots={await lowLots(tx)} />
      {may(actor.role, 'bench') && (
        <NewReference
          readers={(await benchLines(tx))
            .filter((one) => one.kind === 'tagReader')
            .map(({ id, name, state, panel }) => ({ id, name, state, panel }))}
        />
      )}
      <div className="d-flex flex-wrap gap-3 align-items-center mb-3">
        <ListSearch list={list} label={say({ code: 'shelf.search' })} placeholder={say({ code: 'shelf.searchBy' })} />
        <FilterLinks
          list={list}
          name="kind"
          label={say({ code: 'shelf.kind' })}
          options={[
            ['', say({ code: 'list.any' })],
            ...SHELF_KINDS.map((kind) => [kind, say({ code: `shelf.kind.${kind}` })] as const),
          ]}
        />
        {!list.q && (
          <FilterLinks
            list={list}
            name="ended"
            label={say({ code: 'shelf.ended' })}
            options={[
              ['', say({ code: 'shelf.ended.no' })],
              ['too', say({ code: 'shelf.ended.too' })],
            ]}
          />
        )}
      </div>
      {references.length === 0 && (
        <p className="empty">
          {list.q ? say({ code: 'shelf.nothingOf', numbers: { text: list.q } }) : say({ code: 'shelf.none' })}
        </p>
      )}
      <ShelfTable references={references} today={today} />
      {more && <p className="notice">{say({ code: 'shelf.more' })}</p>}
    </main>
  );
});
