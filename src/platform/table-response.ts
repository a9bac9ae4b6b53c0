import Papa from 'papaparse';
import writeExcelFile from 'write-excel-file/node';

const ESCAPED = /^'(?=[=+\-@\t\r])/;
const DAY = /^\d{4}-\d\d-\d\d$/;

/**
 * A table as the file that is asked for: CSV, or with `as=xlsx` a spreadsheet of the same cells. In CSV a cell that a spreadsheet would take for a formula begins with an apostrophe; a spreadsheet says itself that it is text.
 * Days are ISO 8601 in CSV and real days in a spreadsheet; figures stay as they are written, so that 10.0 keeps its nought.
 */
export async function tableResponse(csv: string, name: string, request: Request): Promise<Response> {
  const xlsx = new URL(request.url).searchParams.get('as') === 'xlsx';
  const body = xlsx ? new Uint8Array(await spreadsheetOf(csv, name)) : csv;
  return new Response(body, {
    headers: {
      'content-type': xlsx ? 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' : 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.${xlsx ? 'xlsx' : 'csv'}"`,
      'cache-control': 'no-store',
    },
  });
}

/** The cells of a CSV as a workbook of one sheet, its head kept in sight. */
export async function spreadsheetOf(csv: string, name: string): Promise<Buffer> {
  const [head = [], ...rows] = Papa.parse<string[]>(csv, { skipEmptyLines: true }).data;
  const cell = (text: string) => {
    const plain = text.replace(ESCAPED, '');
    return DAY.test(plain)
      ? { value: new Date(`${plain}T00:00:00Z`), type: Date, format: 'yyyy-mm-dd' }
      : { value: plain, type: String };
  };
  const data = [
    head.map((one) => ({ value: one, type: String, fontWeight: 'bold' as const })),
    ...rows.map((row) => row.map(cell)),
  ];
  return writeExcelFile(data as never, { sheet: name.slice(0, 31), stickyRowsCount: 1 } as never).toBuffer() as Promise<Buffer>;
}
