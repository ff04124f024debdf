import { measuredAt } from '../../test/instruments.ts';
import { FAMILY_IDS, families } from '../families/index.ts';
import { openInstrument, specFromPreset, type InstrumentSpec } from '../instrument/instrument.ts';
import { expectOk } from '../result.ts';
import { defaultPreferences } from '../route/preferences.ts';
import { alternatesOf } from './alternates.ts';

const rows = (spec: InstrumentSpec) => {
  const instrument = expectOk(openInstrument(spec));
  const { family } = instrument;
  return alternatesOf(instrument, defaultPreferences(family), family.dialects[0]!.id);
};

test.each(FAMILY_IDS)('%s: each pitch with several ways has all of them and one recommendation', (id) => {
  const spec = specFromPreset(id, families[id].presets[0]!.id);
  const { ways } = expectOk(openInstrument(spec));
  for (const { pitch, candidates } of rows(spec)) {
    expect(candidates.map((c) => c.wayId)).toEqual(
      ways.filter((w) => w.able && w.pitch === pitch).map((w) => w.id),
    );
    expect(candidates.filter((c) => c.recommended)).toHaveLength(1);
    expect(candidates.every((c) => Number.isFinite(c.total))).toBe(true);
  }
});

describe('the note ten semitones up on a B♭ whistle', () => {
  const spec = specFromPreset('whistle', '70');
  const ten = (more: Partial<InstrumentSpec>) => rows({ ...spec, ...more }).find((row) => row.pitch === 80)!;
  const recommended = (more: Partial<InstrumentSpec>) =>
    ten(more).candidates.find((c) => c.recommended)!.wayId;

  test('is judged on the move from the note below, with fingers counted', () => {
    const { between, candidates } = ten({});
    expect(between).toEqual(['G5', 'A5']);
    const fingers = candidates.map((c) => c.moves.find((m) => m.label === 'fingers moved')!.count);
    expect(candidates.map((c) => c.wayId)).toEqual(['oxxooo', 'oxxxoo', 'oxxxxo', 'hooooo']);
    // From xooooo there and on to the open note, the third by way of oooxxx.
    expect(fingers).toEqual([5, 7, 8, 1]);
  });

  test('measuring changes the recommendation, choosing does not hide it', () => {
    expect(recommended({})).toBe('oxxooo');
    const measured = measuredAt(80, { oxxooo: 40, oxxxoo: 1, oxxxxo: -20, hooooo: -35 });
    expect(recommended({ measured })).toBe('oxxxoo');
    const chosen = ten({ measured, choices: ['oxxooo'] }).candidates;
    expect(chosen.map((c) => [c.recommended, c.chosen])).toEqual([
      [false, true],
      [true, false],
      [false, false],
      [false, false],
    ]);
  });
});
