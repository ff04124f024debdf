/** Keys in the order in which players take them. */
import { openInstrument, specFromPreset, type Instrument } from '../instrument/instrument.ts';
import { parseNote } from '../pitch/noteName.ts';
import { expectOk } from '../result.ts';
import { defaultPreferences } from '../route/preferences.ts';
import { keyOf, scaleById } from '../scale/scale.ts';
import { byEase, contextsFor, keyCell } from './keyCell.ts';
import { keyTable } from './keyTable.ts';

const open = (family: string, preset: string) => expectOk(openInstrument(specFromPreset(family, preset)));
const scale = (id: string) => expectOk(scaleById(id));
const note = (text: string) => expectOk(parseNote(text));

test.each([
  ['anglo', 'C-G-sharp-on-push', 'major', 'C G D F A Bb Eb E'],
  ['english', 'treble', 'major', 'C F G D Bb A Eb E'],
  ['harp', 'c-34', 'major', 'C G D A E'],
  ['diatonic', '60', 'blues-six', 'G D C'],
  ['diatonic', '60', 'minor-pentatonic', 'G D E A'],
  ['dulcimer', 'd3-a3-d4', 'major', 'D G A'],
] as const)('%s %s in %s, as players take the keys: %s', (id, preset, scaleId, keys) => {
  const base = open(id, preset);
  const cells = keyTable(base, [scale(scaleId)], defaultPreferences(base.family)).rows.flat();
  const order = cells.sort(byEase).map(({ tonic }) => tonic);
  expect(order.slice(0, keys.split(' ').length).join(' ')).toBe(keys);
});

test('a minor pentatonic asks for no chord of the blues: its own drum is among the first two', () => {
  const drum = open('drum', 'a-minor-five-13');
  const of = (base: Instrument) =>
    keyCell(
      base,
      keyOf(scale('minor-pentatonic'), note('A')),
      contextsFor(defaultPreferences(base.family), { isRough: true }),
    ).ease;
  const harps = ['62', '55', '60'].map((preset) => of(open('diatonic', preset)));
  expect(harps.filter((ease) => ease < of(drum))).toHaveLength(0);
});
