import { sql, type SQL } from 'drizzle-orm';

/** Whether an instrument measures gas: a channel of it shows in a unit of gas. Such a one is bumped. */
export const measuresGas = (assetId: SQL): SQL<boolean> =>
  sql<boolean>`exists (select from asset_channel c where c.asset_id = ${assetId} and c.unit in ('ppm', '%LEL', '%vol'))`;
