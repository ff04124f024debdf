/** Whatever is typed, sent or clicked: every family answers with a layout or with problems at fields, never with a crash. */
import fc from 'fast-check';
import { checkExchange } from '../src/exchange/exchange.ts';
import { families, FAMILY_IDS } from '../src/families/index.ts';
import { parseScala } from '../src/formats/scala.ts';
import { parseProgression } from '../src/harmony/progression.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { readNotes } from '../src/keys/readNotes.ts';
import { checkLayoutFile } from '../src/records/layoutFile.ts';
import { expectOk, type Problem } from '../src/result.ts';
import { scaleById } from '../src/scale/scale.ts';
import { searchScales } from '../src/scale/search.ts';
import { checkSettings } from '../src/settings/settings.ts';

const anything = fc.oneof(
  fc.jsonValue(),
  fc.anything({ withNullPrototype: false, withDate: true, withMap: true, maxDepth: 2 }),
);

function soundProblems(problems: readonly Problem[]): void {
  expect(problems.length).toBeGreaterThan(0);
  for (const { field, wrong, message } of problems) {
    expect(typeof field).toBe('string');
    expect([...wrong].length).toBeLessThanOrEqual(40);
    expect(message.length).toBeGreaterThan(8);
    // What was sent may be quoted, whatever it is.
    expect(message.replaceAll(/“[^”]*”/g, '')).not.toMatch(/undefined|NaN|\[object/);
  }
}

/** Replaces one value somewhere inside a JSON value. */
function broken(value: unknown, path: readonly number[], junk: unknown): unknown {
  if (typeof value !== 'object' || value === null || path.length === 0) return junk;
  const keys = Object.keys(value);
  if (keys.length === 0) return junk;
  const key = keys[path[0]! % keys.length]!;
  const inner = broken((value as Record<string, unknown>)[key], path.slice(1), junk);
  return Array.isArray(value)
    ? value.map((v, i) => (String(i) === key ? inner : v))
    : { ...value, [key]: inner };
}

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const presets = family.presets.map((p) => p.id);
  const paths = fc.array(fc.nat(60), { minLength: 1, maxLength: 5 });

  test('a layout with anything anywhere in it opens or is refused at its fields', () => {
    fc.assert(
      fc.property(fc.constantFrom(...presets), paths, fc.jsonValue(), (preset, path, junk) => {
        const { layout } = specFromPreset(id, preset);
        const result = family.open(broken(layout, path, junk), {});
        if (result.ok) expect(result.value.ways.length).toBeGreaterThan(0);
        else soundProblems(result.problems);
      }),
      { numRuns: 75 },
    );
  });

  test('anything at all in place of a layout is refused', () => {
    fc.assert(
      fc.property(anything, (junk) => {
        const result = family.open(junk, {});
        if (!result.ok) soundProblems(result.problems);
        else expect(result.value.ways.length).toBeGreaterThan(0);
      }),
      { numRuns: 75 },
    );
  });

  test('any row of edits in the cabinet leads to a layout that opens or says what is wrong, and undoing it leads back', () => {
    const edits = fc.array(fc.tuple(fc.nat(400), fc.nat(40), fc.integer({ min: -9, max: 9 })), {
      maxLength: 6,
    });
    fc.assert(
      fc.property(fc.constantFrom(...presets), edits, (preset, steps) => {
        let instrument: Instrument = expectOk(openInstrument(specFromPreset(id, preset)));
        for (const [which, pick, by] of steps) {
          const { elements, options } = instrument;
          const element = elements[which % elements.length]!;
          const option = options[which % options.length]!;
          const value = element.values[pick % Math.max(1, element.values.length)];
          const layout =
            pick % 3 === 0
              ? instrument.withOption(option.id, option.choices[pick % option.choices.length]!.id)
              : pick % 3 === 1 && element.pitch !== undefined
                ? instrument.withElement(element.id, { pitch: element.pitch + by })
                : value
                  ? instrument.withElement(element.id, {
                      values: {
                        [value.id]:
                          value.kind === 'flag'
                            ? !value.value
                            : value.kind === 'text'
                              ? `n${by}`
                              : value.value + by,
                      },
                    })
                  : instrument.layout;
          const before = JSON.stringify(instrument.layout);
          const opened = openInstrument({ ...instrument.spec, layout });
          expect(JSON.stringify(instrument.layout)).toBe(before);
          if (opened.ok) instrument = opened.value;
          else soundProblems(opened.problems);
        }
        expect(JSON.parse(JSON.stringify(instrument.layout))).toEqual(instrument.layout);
      }),
      { numRuns: 60 },
    );
  });

  test('anything typed as tab is a way or a problem with its place in the text', () => {
    const instrument = expectOk(openInstrument(specFromPreset(id, presets[0]!)));
    const dialects = family.dialects.map((d) => d.id);
    const known = instrument.ways.map((way) => instrument.tab(way, dialects[0]!));
    const text = fc.oneof(
      fc.string(),
      fc.constantFrom(...known).map((t) => `${t}x`),
      fc.constantFrom(...known).map((t) => t.slice(1)),
    );
    fc.assert(
      fc.property(text, fc.constantFrom(...dialects), (typed, dialect) => {
        const result = instrument.parseTab(typed, dialect);
        if (result.ok) {
          expect(instrument.ways).toContainEqual(result.value);
          return;
        }
        soundProblems(result.problems);
        const { position } = result.problems[0]!;
        expect(position).toBeGreaterThanOrEqual(0);
        expect(position).toBeLessThanOrEqual(typed.length);
      }),
      { numRuns: 60 },
    );
  });

  test('an unknown element or option is a programmer’s error that names it', () => {
    const instrument = expectOk(openInstrument(specFromPreset(id, presets[0]!)));
    expect(() => instrument.withElement('nothing.99', { pitch: 60 })).toThrow(/nothing/);
    expect(() => instrument.tab(instrument.ways[0]!, 'no dialect')).toThrow(/no dialect/);
    const stranger = { ...instrument.ways[0]!, id: 'stranger' };
    expect(() => instrument.brief(stranger)).toThrow(/stranger/);
  });
});

describe('anything at all', () => {
  const takers: readonly [string, (value: unknown) => { ok: boolean; problems?: readonly Problem[] }][] = [
    ['as an instrument', openInstrument],
    ['as a file of data', checkExchange],
    ['as a layout file', checkLayoutFile],
    ['as settings', checkSettings],
  ];
  test.each(takers)('%s is taken or refused, never a crash', (_, take) => {
    fc.assert(
      fc.property(anything, (value) => {
        const result = take(value);
        if (!result.ok) soundProblems(result.problems!);
      }),
      { numRuns: 100 },
    );
  });

  const readers: readonly [string, (text: string) => unknown][] = [
    ['a progression', (text) => parseProgression('x', text, 4)],
    ['a tuning file', parseScala],
    ['notes', (text) => readNotes(text)],
    ['a scale', scaleById],
    ['a search', searchScales],
  ];
  test.each(readers)('typed as %s is read or refused', (_, read) => {
    const texts = fc.oneof(
      fc.string(),
      fc.string({ unit: 'grapheme' }),
      fc.stringMatching(/^[1-7bm#, |%A-G½♭]*$/),
    );
    fc.assert(
      fc.property(texts, (text) => {
        expect(read(text)).toBeDefined();
      }),
      { numRuns: 150 },
    );
  });
});
