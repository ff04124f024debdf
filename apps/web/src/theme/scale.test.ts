import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import postcss from 'postcss';

const ROOT = join(__dirname, '..');
const SHEETS = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((file) =>
  file.endsWith('.css'),
);
/** Spaces that follow from the width or height of something else, and drawings with a measure of their own. */
const OFFSETS = /^(-?\d+px|0\.7em)$/u;

const declarations = SHEETS.flatMap((sheet) => {
  const found: { readonly sheet: string; readonly property: string; readonly value: string }[] = [];
  postcss.parse(readFileSync(join(ROOT, sheet), 'utf8')).walkDecls(({ prop, value, parent }) => {
    if (!prop.startsWith('--'))
      found.push({
        sheet,
        property: `${parent?.type === 'rule' ? String(parent['selector' as never]) : ''} ${prop}`,
        value,
      });
  });
  return found;
});

const valuesOf = (property: RegExp) => declarations.filter((one) => property.test(one.property));

test('type comes in eight sizes', () => {
  const sizes = valuesOf(/ font-size$/u).map(({ value }) => value.replace(' !important', ''));
  const scale = new Set(sizes.filter((size) => size.startsWith('var(')));
  expect(sizes.length).toBeGreaterThan(100);
  expect(scale.size).toBeLessThanOrEqual(8);
  // A word that is read out but not seen, what grows with its line, and the needle, which is drawn in units of its own.
  expect(sizes.filter((size) => !size.startsWith('var(')).sort()).toEqual(['0', '1em', '4.5px']);
});

test('spaces come in eight sizes, corners in three', () => {
  const spaces = valuesOf(/ (gap|row-gap|column-gap|padding[\w-]*|margin[\w-]*)$/u);
  const odd = spaces.flatMap(({ sheet, property, value }) =>
    value
      .replace(' !important', '')
      .split(/ (?![^(]*\))/u)
      .filter((part) => !/^(0|auto|inherit|var\(--(s[1-8]|marks-below, 0)\))$/u.test(part))
      .map((part) => [sheet, property, part]),
  );
  expect(odd.filter(([, , part]) => !OFFSETS.test(part!))).toEqual([]);
  expect(odd.length).toBeLessThanOrEqual(8);
  const corners = valuesOf(/ border-radius$/u).flatMap(({ value }) => value.split(' '));
  expect([...new Set(corners)].sort()).toEqual([
    '0',
    '32px',
    '50%',
    'var(--round)',
    'var(--rounder)',
    'var(--square)',
  ]);
});

test('the page changes its shape at three widths', () => {
  const text = SHEETS.map((sheet) => readFileSync(join(ROOT, sheet), 'utf8')).join('\n');
  const widths = [...text.matchAll(/@media \((?:min|max)-width: (\w+)\)/gu)].map(([, width]) => width!);
  expect([...new Set(widths)].sort()).toEqual(['1000px', '1200px', '640px']);
});
