/** Moving an instrument moves all it has, and nothing else about it. */
import type { FAMILY_IDS } from '../src/families/index.ts';
import type { Way } from '../src/families/way.ts';
import { expectOk } from '@same-song/core';
import { families, openInstrument, specFromPreset, type Instrument } from '@same-song/core/instruments';

/** The option that moves each family's pitches, where it has one, and two of its values a known way apart. */
const MOVES: Readonly<
  Partial<Record<(typeof FAMILY_IDS)[number], { option: string; from: string; to: string; by: number }>>
> = {
  diatonic: { option: 'key', from: '58', to: '63', by: 5 },
  chromatic: { option: 'home', from: '60', to: '56', by: -4 },
  whistle: { option: 'lowest', from: '70', to: '75', by: 5 },
  english: { option: 'system', from: 'treble', to: 'baritone', by: -12 },
  anglo: { option: 'key', from: 'C/G', to: 'A♭/E♭', by: -4 },
  dulcimer: { option: 'tuning', from: 'D3 A3 D4', to: 'C3 G3 C4', by: -2 },
};

const withOption = (instrument: Instrument, option: string, value: string) =>
  expectOk(openInstrument({ ...instrument.spec, layout: instrument.withOption(option, value) }));

test.each(Object.entries(MOVES))('%s', (id, { option, from, to, by }) => {
  const first = expectOk(openInstrument(specFromPreset(id, families[id as 'diatonic'].presets[0]!.id)));
  const low = withOption(first, option, from);
  const high = withOption(first, option, to);
  expect(high.ways.map((w) => w.id)).toEqual(low.ways.map((w) => w.id));
  for (const [i, way] of low.ways.entries()) {
    const moved = high.ways[i]!;
    expect(moved.pitch).toBe(way.pitch + by);
    // Where a note is named, its name moves with it.
    const still = (w: Way) => ({ ...w, pitch: 0, needs: w.needs?.replace(/[A-G][♯♭]?\d/u, '') });
    expect(still(moved)).toEqual(still(way));
  }
  expect(high.elements.map((e) => (e.pitch === undefined ? undefined : e.pitch - by))).toEqual(
    low.elements.map((e) => e.pitch),
  );
  for (const dialect of low.family.dialects) {
    for (const [i, way] of low.ways.entries()) {
      const text = low.tab(way, dialect.id);
      // Tab that names notes moves with them; all other tab stays.
      if (!/[A-G][♯♭]?\d?/.test(text)) expect(high.tab(high.ways[i]!, dialect.id)).toBe(text);
    }
  }
});

test('a harp with another base keeps its strings’ names and lowers those that the base lowers', () => {
  const harp = expectOk(openInstrument(specFromPreset('harp', 'c-34')));
  const flat = withOption(harp, 'base', 'Eb');
  for (const [i, element] of harp.elements.entries()) {
    const lowered = ['B', 'E', 'A'].includes(element.column) ? 1 : 0;
    expect(flat.elements[i]!.pitch).toBe(element.pitch! - lowered);
    expect(flat.elements[i]!.label).toBe(element.label);
  }
});
