import { say } from '@/core/words/say';
import { FilterLinks } from '@/ui/list/filter-links';
import { ListSearch } from '@/ui/list/list-search';
import type { ListAddress } from '@/ui/list/list-address';
import { ListTable, type Column } from '@/ui/list/list-table';
import type { modelsInRoom } from './server/list-models';
import '@/core/words/en/customers';
import '@/core/words/en/models';
import '@/core/words/en/procedures';

type Row = Awaited<ReturnType<typeof modelsInRoom>>[number];

const COLUMNS: Column<Row>[] = [
  {
    key: 'name',
    title: say({ code: 'model.name' }),
    sort: true,
    always: true,
    cell: (model) => (
      <>
        <a className="row-link" href={`/models/${model.id}`}>
          {model.maker} {model.name}
        </a>
        {model.retiredAt && <span className="small"> {say({ code: 'customers.retired' })}</span>}
      </>
    ),
  },
  { key: 'kind', title: say({ code: 'model.kind' }), sort: true, cell: (model) => model.kind },
  {
    key: 'channels',
    title: say({ code: 'model.channels' }),
    cell: (model) => model.channels.map((channel) => channel.label).join(', '),
  },
  { key: 'procedure', title: say({ code: 'model.procedure' }), asked: true, cell: (model) => model.procedure },
  {
    key: 'used',
    title: say({ code: 'models.used' }),
    sort: true,
    className: 'text-end mono',
    cell: (model) => model.instruments,
  },
];

/** Models, by maker and name unless said otherwise. */
export function ModelTable({ list, models }: { list: ListAddress; models: Row[] }) {
  return (
    <>
      <ListTable
        list={list}
        columns={COLUMNS}
        rows={models}
        next={null}
        idOf={(model) => model.id}
        rowClass={(model) => (model.retiredAt ? 'quiet' : '')}
        filters={
          <>
            <ListSearch list={list} label={say({ code: 'models.search' })} />
            <FilterLinks
              list={list}
              name="retired"
              label={say({ code: 'models.title' })}
              options={[
                ['', say({ code: 'models.hideRetired' })],
                ['yes', say({ code: 'models.showRetired' })],
              ]}
            />
          </>
        }
        empty={say({ code: 'models.none' })}
      />
    </>
  );
}
