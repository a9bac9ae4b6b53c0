import { is } from 'drizzle-orm';
import { getTableConfig, PgTable } from 'drizzle-orm/pg-core';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { migrate } from '@/data/migrate';
import * as schema from '@/data/schema';
import { addresses } from '../../scripts/lib/cluster.mjs';
import { openWorld, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await openWorld();
});
afterAll(() => world.close());

const SQL_NAME: Record<string, string> = {
  'timestamp (3) with time zone': 'timestamp(3) with time zone',
  'numeric(10, 3)': 'numeric(10,3)',
  'numeric(12, 2)': 'numeric(12,2)',
  'numeric(9, 2)': 'numeric(9,2)',
};

it('the migrations and the Drizzle schema say the same: tables, columns, types, what may be missing', async () => {
  const { rows } = await world.superuser
    .query(`select c.relname as table, a.attname as column, format_type(a.atttypid, a.atttypmod) as type, a.attnotnull as required
    from pg_attribute a join pg_class c on c.oid = a.attrelid join pg_namespace n on n.oid = c.relnamespace
    where n.nspname = 'public' and c.relkind = 'r' and a.attnum > 0 and not a.attisdropped and c.relname <> 'schema_migration'`);
  const inDatabase = rows.map((row) => `${row.table}.${row.column} ${row.type}${row.required ? ' not null' : ''}`).sort();
  const inSchema = Object.values(schema)
    .filter((value) => is(value, PgTable))
    .flatMap((table) => {
      const { name, columns } = getTableConfig(table as PgTable);
      return columns.map(
        (column) =>
          `${name}.${column.name} ${SQL_NAME[column.getSQLType()] ?? column.getSQLType()}${column.notNull || column.primary ? ' not null' : ''}`,
      );
    })
    .sort();
  expect(inDatabase).toEqual(inSchema);
});

it('migrating again does nothing', async () => {
  expect(await migrate(addresses(world.cluster, world.name).owner)).toEqual([]);
});
