import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const ROOT = process.cwd();
const manifest = <T>(name: string) => JSON.parse(readFileSync(join(ROOT, '.next', 'server', name), 'utf8')) as T;
/** The one wrapper, the one that programs come through (made by the first), and the one of the customer's window. */
const ROUTES = [
  'route from @/platform/route',
  'programRoute from @/features/programs/server',
  'windowRoute from @/platform/window-door',
];
const PAGES = ['page from @/platform/page', 'windowPage from @/platform/window-door'];
const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'HEAD', 'OPTIONS'];

/** Exported names of a module with the function that makes each: `export default page(...)` gives { default: 'page' }. */
function makers(file: string): Record<string, string> {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: Record<string, string> = {};
  const made = (expression: ts.Expression | undefined) =>
    expression && ts.isCallExpression(expression) && ts.isIdentifier(expression.expression)
      ? importedAs(source, expression.expression.text)
      : 'nothing';
  source.forEachChild((node) => {
    if (ts.isExportAssignment(node)) found.default = made(node.expression);
    const exported =
      ts.canHaveModifiers(node) && ts.getModifiers(node)?.some((modifier) => modifier.kind === ts.SyntaxKind.ExportKeyword);
    if (!exported) return;
    if (ts.isVariableStatement(node))
      node.declarationList.declarations.forEach((one) => {
        found[one.name.getText(source)] = made(one.initializer);
      });
    if (ts.isFunctionDeclaration(node))
      found[
        ts.getModifiers(node)!.some((modifier) => modifier.kind === ts.SyntaxKind.DefaultKeyword) ? 'default' : node.name!.text
      ] = 'nothing';
  });
  return found;
}

/** "page from @/platform/page" only if it really comes from there. */
function importedAs(source: ts.SourceFile, name: string): string {
  for (const statement of source.statements) {
    if (
      ts.isImportDeclaration(statement) &&
      statement.importClause?.namedBindings &&
      ts.isNamedImports(statement.importClause.namedBindings) &&
      statement.importClause.namedBindings.elements.some((element) => element.name.text === name)
    )
      return `${name} from ${(statement.moduleSpecifier as ts.StringLiteral).text}`;
  }
  return 'nothing';
}

const doors = Object.keys(manifest<Record<string, string>>('app-paths-manifest.json')).filter(
  (path) => !path.startsWith('/_') && !/icon|favicon/.test(path),
);
const source = (door: string) =>
  ['.tsx', '.ts'].map((ending) => join(ROOT, 'src', 'app', `${door}${ending}`)).find((file) => existsSync(file)) ?? '';

describe('every door of the build passes the one wrapper', () => {
  it('the build has doors at all', () => {
    expect(doors.length).toBeGreaterThan(18);
  });

  it.each(doors)('%s', (door) => {
    const exported = makers(source(door));
    if (door.endsWith('/page')) expect(PAGES).toContain(exported.default);
    else for (const [name, maker] of Object.entries(exported)) if (METHODS.includes(name)) expect(ROUTES).toContain(maker);
    if (door.endsWith('/route')) expect(Object.keys(exported).some((name) => METHODS.includes(name))).toBe(true);
  });

  const actions = Object.values(
    manifest<{ node: Record<string, { filename: string; exportedName: string }> }>('server-reference-manifest.json').node,
  );
  it('the build has actions at all', () => {
    expect(actions.length).toBeGreaterThan(12);
  });
  it.each(actions.map((action) => [action.filename, action.exportedName]))('%s %s', (file, name) => {
    expect(makers(join(ROOT, file))[name]).toBe('action from @/platform/action');
  });

  it('the sign-in library’s own routes are not mounted', () => {
    expect(doors.some((door) => door.includes('auth'))).toBe(false);
  });
});

it('no server door reaches a browser bundle', () => {
  const chunks = readdirSync(join(ROOT, '.next', 'static'), { recursive: true })
    .map(String)
    .filter((file) => file.endsWith('.js'));
  expect(chunks.length).toBeGreaterThan(5);
  for (const chunk of chunks) {
    const text = readFileSync(join(ROOT, '.next', 'static', chunk), 'utf8');
    for (const secret of ['pg_advisory_xact_lock', 'WERKBANK_SIGNING_KEY', 'argon2', 'jsonb_to_recordset'])
      expect(text.includes(secret), `${chunk} holds ${secret}`).toBe(false);
  }
});

it('what programs come through is the one wrapper with a token in place of a session', () => {
  const source = readFileSync(join(ROOT, 'src/features/programs/server/program-route.ts'), 'utf8');
  expect(source).toMatch(/import \{ route \} from '@\/platform\/route'/);
  expect(source).toMatch(/=>\s*route\(\{ permission: 'public', name/);
  expect(source.match(/await admitProgram\(|admitProgram\(tx, request, scope, now\)/g)?.length).toBeGreaterThan(0);
});
