import Papa from 'papaparse';

const MOST = 40;
const NUMBER = /^[+-]?\d+([.,]\d+)?$/;

/**
 * A lot's own table as typed or pasted off a label or a sheet: temperature and value a line, parted by comma, semicolon, tab or spaces; a first line of words is a heading.
 * Gives the rows, rising in temperature, or what is wrong with which line.
 *
 * @example
 * readTable('°C;pH\n20;7,02\n25;7,00') // { rows: [[20, 7.02], [25, 7]] }
 */
export function readTable(
  text: string,
  [lowest, highest]: readonly [number, number] = [-5, 100],
): { rows: [number, number][] } | { problem: string } {
  const lines = text
    .trim()
    .split(/\r?\n/)
    .filter((line) => line.trim());
  const rows: [number, number][] = [];
  for (const [index, line] of lines.entries()) {
    const cells = cellsOf(line);
    if (index === 0 && cells.every((cell) => !NUMBER.test(cell))) continue;
    const numbers = cells.map((cell) => (NUMBER.test(cell) ? Number(cell.replace(',', '.')) : NaN));
    if (cells.length !== 2 || numbers.some((one) => !Number.isFinite(one)))
      return { problem: `Line ${index + 1}: “${line.trim().slice(0, 40)}” is not a temperature and a value.` };
    const [temperature, value] = numbers as [number, number];
    if (temperature < lowest || temperature > highest)
      return { problem: `Line ${index + 1}: ${temperature} is not from ${lowest} to ${highest}.` };
    if (rows.length && temperature <= rows.at(-1)![0])
      return { problem: `Line ${index + 1}: temperatures have to rise, ${temperature} °C follows ${rows.at(-1)![0]} °C.` };
    rows.push([temperature, value]);
  }
  if (rows.length < 2) return { problem: 'A table has at least two temperatures.' };
  return rows.length > MOST ? { problem: `At most ${MOST} temperatures.` } : { rows };
}

/** Semicolons, tabs and spaces part two cells even where the decimals have a comma; else a comma does. */
function cellsOf(line: string): string[] {
  const delimiter = [';', '\t'].find((one) => line.includes(one));
  const parsed = delimiter
    ? (Papa.parse<string[]>(line, { delimiter }).data[0] ?? [])
    : /\s/.test(line.trim()) && !/,\s/.test(line)
      ? line.trim().split(/\s+/)
      : (Papa.parse<string[]>(line, { delimiter: ',' }).data[0] ?? []);
  return parsed.map((cell) => cell.trim());
}
