import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { basename, join, relative, resolve } from 'node:path';
import ts from 'typescript';
import { READING_KINDS } from '@yarnix/core';

/** What the rules of the arrows (.dependency-cruiser.mjs) cannot say of the core. */
const root = resolve(import.meta.dirname, '..');
const core = join(root, 'packages/core/src');

const walk = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? walk(path) : entry.name.endsWith('.ts') && !entry.name.endsWith('.d.ts') ? [path] : [];
  });
const production = walk(core).filter((file) => !file.endsWith('.test.ts'));
const short = (file: string): string => relative(root, file);

test('the core reads neither clock nor network, nor throws dice', () => {
  const impure = production.filter((f) =>
    /Date\.now\(|new Date\(\)|Math\.random\(|fetch\(/.test(readFileSync(f, 'utf8')),
  );
  expect(impure.map(short)).toEqual([]);
});

const hasDoc = (node: ts.Node): boolean => ts.getJSDocCommentsAndTags(node).length > 0;
const isExported = (node: ts.Node): boolean =>
  ts.canHaveModifiers(node) && (ts.getModifiers(node)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword) ?? false);
const isFunction = (node: ts.Expression | undefined): boolean =>
  node !== undefined && (ts.isArrowFunction(node) || ts.isFunctionExpression(node));

test('every exported function of the core has a docstring', () => {
  const bare: string[] = [];
  for (const file of production) {
    const tree = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
    for (const statement of tree.statements.filter(isExported)) {
      if (ts.isFunctionDeclaration(statement) && !hasDoc(statement))
        bare.push(`${short(file)}: ${statement.name?.text ?? ''}`);
      if (!ts.isVariableStatement(statement) || hasDoc(statement)) continue;
      for (const d of statement.declarationList.declarations)
        if (isFunction(d.initializer)) bare.push(`${short(file)}: ${d.name.getText()}`);
    }
  }
  expect(bare).toEqual([]);
});

const camel = (id: string): string => id.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());

test.each(READING_KINDS.map((kind) => kind.id))(
  'the kind %s lies in a file of its own name, under its own name, with a test of it',
  (id) => {
    const file = production.find((f) => f.startsWith(join(core, 'readings')) && basename(f) === `${id}.ts`);
    expect(file).toBeDefined();
    expect(readFileSync(file!, 'utf8')).toMatch(new RegExp(`export const ${camel(id)}\\b`));
    const own = file!.replace(/\.ts$/, '.test.ts');
    // Kinds of one family are tested beside the family's own file, by their names.
    const beside = walk(join(file!, '..')).filter((f) => f.endsWith('.test.ts'));
    const isTested = beside.some((f) => new RegExp(`\\b${camel(id)}\\b`).test(readFileSync(f, 'utf8')));
    expect(existsSync(own) || isTested).toBe(true);
  },
);
