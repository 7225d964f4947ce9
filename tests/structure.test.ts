import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import ts from 'typescript';

/** The rooms of the source tree and the arrows between them. What fails here is a decision, not a style. */
const root = resolve(import.meta.dirname, '..');
const packages = ['core', 'simulator', 'server', 'web'] as const;
type Room = (typeof packages)[number];

const walk = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? walk(path) : /\.tsx?$/.test(entry.name) && !entry.name.endsWith('.d.ts') ? [path] : [];
  });
const sources = packages.flatMap((room) => walk(join(root, 'packages', room, 'src')));
const production = sources.filter((file) => !/\.test\.tsx?$/.test(file));

interface Import {
  readonly from: string;
  readonly to: string;
  readonly typeOnly: boolean;
}

function importsOf(file: string): Import[] {
  const tree = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: Import[] = [];
  const visit = (node: ts.Node): void => {
    if (
      (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) &&
      node.moduleSpecifier &&
      ts.isStringLiteral(node.moduleSpecifier)
    ) {
      const clause = ts.isImportDeclaration(node) ? node.importClause : undefined;
      const named =
        clause?.namedBindings && ts.isNamedImports(clause.namedBindings) ? clause.namedBindings.elements : [];
      const typeOnly = (ts.isImportDeclaration(node) ? clause?.isTypeOnly : node.isTypeOnly) ?? false;
      const allTypes = named.length > 0 && !clause?.name && named.every((e) => e.isTypeOnly);
      found.push({ from: file, to: node.moduleSpecifier.text, typeOnly: typeOnly || allTypes });
    }
    if (
      ts.isCallExpression(node) &&
      node.expression.kind === ts.SyntaxKind.ImportKeyword &&
      node.arguments[0] &&
      ts.isStringLiteral(node.arguments[0])
    ) {
      found.push({ from: file, to: node.arguments[0].text, typeOnly: false });
    }
    ts.forEachChild(node, visit);
  };
  visit(tree);
  return found;
}

const imports = production.flatMap(importsOf);
const roomOf = (file: string): Room => relative(join(root, 'packages'), file).split('/')[0] as Room;
const targetOf = ({ from, to }: Import): string | undefined => {
  if (to.startsWith('.')) return resolve(dirname(from), to);
  const ours = /^@yarnix\/(\w+)$/.exec(to);
  return ours ? join(root, 'packages', ours[1] ?? '', 'src/index.ts') : undefined;
};
const short = (file: string): string => relative(root, file);

const ALLOWED: Readonly<Record<Room, readonly Room[]>> = {
  core: [],
  simulator: ['core'],
  // The simulated probe kit alone: see the test below.
  server: ['core', 'simulator'],
  web: ['core'],
};

test('arrows point one way: web, server and simulator to core, core to nothing of ours', () => {
  const wrong = imports.flatMap((i) => {
    const target = targetOf(i);
    if (!target) return [];
    const [here, there] = [roomOf(i.from), roomOf(target)];
    return here === there || ALLOWED[here].includes(there) ? [] : [`${short(i.from)} → ${i.to}`];
  });
  expect(wrong).toEqual([]);
});

test('of the server only the probe kit knows the model house', () => {
  const users = imports.filter((i) => roomOf(i.from) === 'server' && i.to === '@yarnix/simulator').map((i) => i.from);
  expect(users.length).toBeGreaterThan(0);
  expect(users.filter((file) => !file.includes('/features/probes/'))).toEqual([]);
});

test('core depends on zod and small maths packages only, and reads neither clock nor network', () => {
  const outside = new Set(imports.filter((i) => roomOf(i.from) === 'core' && !i.to.startsWith('.')).map((i) => i.to));
  expect([...outside].sort()).toEqual(['jstat', 'psychrolib', 'zod']);
  const impure = production.filter(
    (f) => roomOf(f) === 'core' && /Date\.now\(|new Date\(\)|Math\.random\(|fetch\(/.test(readFileSync(f, 'utf8')),
  );
  expect(impure.map(short)).toEqual([]);
});

test('a feature never imports another feature’s store or routes', () => {
  const wrong = imports.filter((i) => {
    const here = /server\/src\/features\/(\w+)\//.exec(i.from)?.[1];
    const target = targetOf(i) ?? '';
    const there = /server\/src\/features\/(\w+)\/(store|routes)\.ts$/.exec(target)?.[1];
    return here !== undefined && there !== undefined && here !== there;
  });
  expect(wrong.map((i) => `${short(i.from)} → ${i.to}`)).toEqual([]);
});

test('every relative import is of a file that is there', () => {
  const broken = imports.filter(
    (i) => i.to.startsWith('.') && !/\.(css|json)$/.test(i.to) && !existsSync(targetOf(i) ?? ''),
  );
  expect(broken.map((i) => `${short(i.from)} → ${i.to}`)).toEqual([]);
});

test('no import cycle that exists at run time', () => {
  const graph = new Map<string, string[]>();
  for (const i of imports) {
    const target = targetOf(i);
    if (!i.typeOnly && target && target !== i.from) graph.set(i.from, [...(graph.get(i.from) ?? []), target]);
  }
  const done = new Set<string>();
  const cycles: string[] = [];
  const visit = (file: string, path: readonly string[]): void => {
    const at = path.indexOf(file);
    if (at >= 0) {
      cycles.push([...path.slice(at), file].map(short).join(' → '));
      return;
    }
    if (done.has(file)) return;
    for (const next of graph.get(file) ?? []) visit(next, [...path, file]);
    done.add(file);
  };
  for (const file of graph.keys()) visit(file, []);
  expect(cycles).toEqual([]);
});

const hasDoc = (node: ts.Node): boolean => ts.getJSDocCommentsAndTags(node).length > 0;
const isExported = (node: ts.Node): boolean =>
  ts.canHaveModifiers(node) && (ts.getModifiers(node)?.some((m) => m.kind === ts.SyntaxKind.ExportKeyword) ?? false);
const isFunction = (node: ts.Expression | undefined): boolean =>
  node !== undefined && (ts.isArrowFunction(node) || ts.isFunctionExpression(node));

test('every exported function of the core has a docstring', () => {
  const bare: string[] = [];
  for (const file of production.filter((f) => roomOf(f) === 'core')) {
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

test('every kind of reading has its own test beside it', () => {
  const kinds = production.filter((f) => readFileSync(f, 'utf8').includes(': ReadingKind = {'));
  expect(kinds.length).toBeGreaterThanOrEqual(5);
  expect(kinds.filter((f) => !existsSync(f.replace(/\.ts$/, '.test.ts'))).map(short)).toEqual([]);
});
