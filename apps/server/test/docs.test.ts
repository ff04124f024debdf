/** What the documents name must be there. */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, normalize, resolve } from 'node:path';

const ROOT = resolve(import.meta.dirname, '../../..');
const MADE = new Set(['node_modules', 'dist', 'data', 'coverage', '.git']);

/** Files of the project by their paths from its root, without what is made of them. */
function filesUnder(folder: string): readonly string[] {
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = folder === '' ? entry.name : `${folder}/${entry.name}`;
    if (entry.isFile()) return [path];
    return entry.isDirectory() && !MADE.has(entry.name) ? filesUnder(path) : [];
  });
}

const FILES = filesUnder('');
const DOCUMENTS = FILES.filter((file) => file.endsWith('.md'));

/** Packages as the documents call them. */
const PACKAGES: Readonly<Record<string, string>> = {
  core: 'packages/core/src',
  formats: 'packages/formats/src',
  server: 'apps/server/src',
  web: 'apps/web/src',
};

/** Whether a file goes by a path that a document names: from its package, from any folder, or by its name alone. */
function isThere(named: string): boolean {
  const [first, ...rest] = named.split('/');
  const folder = PACKAGES[first!];
  // `core/test/x` stands beside `src`.
  const inPackage = folder && [folder, dirname(folder)].map((at) => `${at}/${rest.join('/')}`);
  return FILES.some((file) => file === named || file.endsWith(`/${named}`) || inPackage?.includes(file));
}

test('there are documents', () => {
  expect(DOCUMENTS).toEqual(
    expect.arrayContaining(['README.md', 'docs/ARCHITECTURE.md', 'apps/web/README.md']),
  );
});

test.each(DOCUMENTS)('files that %s names are there', (document) => {
  const text = readFileSync(join(ROOT, document), 'utf8');
  const named = [...text.matchAll(/`([\w./*-]+\.(?:tsx?|mjs|js|css|md))`/gu)].map(([, name]) => name!);
  expect(named.filter((name) => !name.includes('*') && !isThere(name))).toEqual([]);
  const links = [...text.matchAll(/\]\(([^)#:]+)\)/gu)].map(([, link]) =>
    normalize(join(dirname(document), link!)),
  );
  expect(links.filter((link) => !FILES.includes(link))).toEqual([]);
});

test('the whole house is described on one page, and the rest beside what it is about', () => {
  expect(readFileSync(join(ROOT, 'docs/ARCHITECTURE.md')).length).toBeLessThan(8_000);
});
