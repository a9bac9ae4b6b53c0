/**
 * In which figures rows that are kept differ from those they ought to be, one sentence a row; empty where they agree. Numbers count by their value: 0.50 in a column is the same as 0.5.
 *
 * @example
 * differences([{ id: 1, a: 2 }], [{ id: 1, a: 3 }], ['id']) // ['1: a is 2, worked out it is 3']
 */
export function differences(kept: object[], ought: object[], key: string[]): string[] {
  const keyOf = (row: object) => key.map((name) => String((row as Record<string, unknown>)[name])).join('/');
  const rows = new Map(kept.map((row) => [keyOf(row), row as Record<string, unknown>]));
  const found: string[] = [];
  for (const row of ought) {
    const name = keyOf(row);
    const there = rows.get(name);
    rows.delete(name);
    if (!there) {
      found.push(`${name}: is missing`);
      continue;
    }
    const wrong = Object.entries(row).filter(([column, value]) => !same(there[column], value));
    if (wrong.length)
      found.push(
        `${name}: ${wrong.map(([column, value]) => `${column} is ${show(there[column])}, worked out it is ${show(value)}`).join('; ')}`,
      );
  }
  for (const name of rows.keys()) found.push(`${name}: is there, and no event leads to it`);
  return found;
}

function same(kept: unknown, ought: unknown): boolean {
  const [a, b] = [plain(kept), plain(ought)];
  if (a === b) return true;
  if (isFigure(a) && isFigure(b)) return Math.abs(Number(a) - Number(b)) <= 1e-9 * Math.max(1, Math.abs(Number(b)));
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, i) => same(one, b[i]));
  if (isObject(a) && isObject(b)) {
    const names = new Set([...Object.keys(a), ...Object.keys(b)]);
    return [...names].every((name) => same(a[name], b[name]));
  }
  return false;
}

const plain = (value: unknown): unknown => (value instanceof Date ? value.toISOString() : (value ?? null));
const isFigure = (value: unknown): value is number | string =>
  typeof value === 'number' || (typeof value === 'string' && value.trim() !== '' && Number.isFinite(Number(value)));
const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const show = (value: unknown): string => {
  const text = JSON.stringify(plain(value));
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
};
