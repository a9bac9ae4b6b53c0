import { say } from '@/core/words/say';
import { Link } from '@/ui/link';
import { SearchField } from '@/ui/search-field';
import type { modelsInRoom } from './server/list-models';
import '@/core/words/en/customers';
import '@/core/words/en/models';

interface Props {
  models: Awaited<ReturnType<typeof modelsInRoom>>;
  q: string | undefined;
  retired: boolean;
}

/** Models by maker and name. */
export function ModelTable({ models, q, retired }: Props) {
  const toggle = new URLSearchParams({ ...(q ? { q } : {}), ...(retired ? {} : { retired: 'yes' }) });
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline">
        <SearchField
          base="/models"
          initial={q ?? ''}
          label={say({ code: 'models.search' })}
          placeholder={say({ code: 'models.search' })}
        />
        <Link href={`/models?${toggle}`}>{say({ code: retired ? 'models.hideRetired' : 'models.showRetired' })}</Link>
      </div>
      <div className="sheet">
        {models.length === 0 && <p className="empty">{say({ code: 'models.none' })}</p>}
        {models.length > 0 && (
          <table className="table mb-0">
            <thead>
              <tr>
                <th>{say({ code: 'model.name' })}</th>
                <th>{say({ code: 'model.kind' })}</th>
                <th>{say({ code: 'model.channels' })}</th>
                <th className="text-end">{say({ code: 'models.used' })}</th>
              </tr>
            </thead>
            <tbody>
              {models.map((model) => (
                <tr key={model.id} className={model.retiredAt ? 'quiet' : ''}>
                  <td>
                    <Link className="row-link" href={`/models/${model.id}`}>
                      {model.maker} {model.name}
                    </Link>
                    {model.retiredAt && <span className="small"> {say({ code: 'customers.retired' })}</span>}
                  </td>
                  <td>{model.kind}</td>
                  <td>{model.channels.map((channel) => channel.label).join(', ')}</td>
                  <td className="text-end mono">{model.instruments}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </div>
    </>
  );
}
