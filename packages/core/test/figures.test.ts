import { buttonFigures } from '../src/families/figure.ts';
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { parseNote } from '../src/pitch/noteName.ts';
import { keyOf, scaleById, USUAL_KEYS, type Key } from '../src/scale/scale.ts';
import { soundingPitch } from '../src/pitch/spelledPitch.ts';
import { expectOk } from '../src/result.ts';
import { checkPlan, plainPlan } from '../src/song/arrangement.ts';
import { planFromLink, planToLink } from '../src/song/planLink.ts';
import { melodyOf } from '../src/song/song.ts';
import { figureOffers } from '../src/song/songFigures.ts';
import { songKeys } from '../src/song/songKeys.ts';
import { melodyLine } from '../src/song/songLine.ts';
import { songView } from '../src/song/songView.ts';
import { songOf } from './samples/song.ts';

const open = (id: FamilyId, preset = families[id].presets[0]!.id) =>
  expectOk(openInstrument(specFromPreset(id, preset)));
const song = songOf('C5 E5 D5 G5 | E5 C5*3');
const major = (tonic: string) => keyOf(expectOk(scaleById('major')), expectOk(parseNote(tonic)));
const majorOf = ({ home }: Instrument) => keyOf(expectOk(scaleById('major')), USUAL_KEYS[home]!);

describe.each(FAMILY_IDS)('%s', (id) => {
  const family = families[id];
  const instrument = open(id);
  const notation = { naming: 'key', dialect: family.dialects[0]!.id } as const;
  const base = plainPlan(family);
  const plan = { ...base, transpose: songKeys(instrument, song, base.preferences)[0]!.transpose };
  const had = songView(instrument, song, plan, notation).line.find(
    ({ id: noteId, wayId }) => wayId && figureOffers(instrument, song, plan, noteId, notation).length > 0,
  )!;

  test('ornaments lie on ways that can be had, each told apart, and none on itself alone', () => {
    let found = 0;
    for (const way of instrument.ways) {
      const offers = instrument.figures(way, majorOf(instrument));
      found += offers.length;
      expect(new Set(offers.map((offer) => offer.id)).size).toBe(offers.length);
      for (const { ways, words } of offers) {
        expect(words).not.toBe('');
        expect(ways.length).toBeGreaterThan(0);
        expect(ways.some((other) => other.id !== way.id)).toBe(true);
        for (const other of ways) expect(instrument.ways).toContain(other);
      }
    }
    expect(found).toBeGreaterThan(5);
  });

  test('one that is put in stands as grace notes before its note and shifts nothing', () => {
    const [offer] = figureOffers(instrument, song, plan, had.id, notation);
    const with_ = { ...plan, figures: [offer!.figure] };
    const view = songView(instrument, song, with_, notation);
    const note = melodyOf(view.song).voice.notes.find((one) => one.id === had.id)!;
    const pitchOf = new Map(instrument.ways.map((way) => [way.id, way.pitch]));
    expect(note.grace!.map(soundingPitch)).toEqual(offer!.figure.wayIds.map((wayId) => pitchOf.get(wayId)));
    expect(melodyLine(view.song)).toEqual(melodyLine(songView(instrument, song, plan, notation).song));
    expect(view.effort).toEqual(songView(instrument, song, plan, notation).effort);
    expect(planFromLink(planToLink(with_, family), family)).toEqual(with_);
    expect(expectOk(checkPlan(family, JSON.parse(JSON.stringify(with_))))).toEqual(with_);
  });
});

const words = (id: FamilyId, way: string, preset?: string, key?: Key) => {
  const instrument = open(id, preset);
  return instrument
    .figures(
      instrument.ways.find((one) => one.words === way)!,
      key ?? majorOf(instrument),
    )
    .map((offer) => offer.words);
};

test('a harmonica shakes with its neighbours and dips where a hole bends', () => {
  expect(words('diatonic', '4 draw', '60')).toEqual([
    'shake with 5 draw',
    'shake with 3 draw',
    'dip, begun as 4 draw bent 1',
  ]);
  // 5 blow neither bends nor has a hole below that it does not share a breath with.
  expect(words('diatonic', '5 blow', '60')).toEqual(['shake with 6 blow', 'shake with 4 blow']);
  expect(words('diatonic', '10 draw', '60')).toEqual(['shake with 9 draw']);
});

test('a concertina cuts with a note of the key that a free finger has, and runs up to a note by its scale', () => {
  const inG = major('G');
  const cuts = (id: FamilyId, preset: string, way: string) => words(id, way, preset, inG)[0];
  // G4 by A4 and not by G♯4; D5, above which its hand has nothing, by E5 of the other.
  expect(cuts('anglo', 'C-G-sharp-on-push', 'left inside 3 push')).toBe('cut with left outside 2 push');
  expect(cuts('anglo', 'C-G-sharp-on-push', 'left inside 1 push')).toBe('cut with right middle 2 push');
  for (const id of ['anglo', 'english'] as const) {
    const instrument = open(id);
    const classes = [7, 9, 11, 0, 2, 4, 6];
    for (const way of instrument.ways)
      for (const { ways } of instrument.figures(way, inG))
        for (const { pitch } of ways) expect(classes).toContain(pitch % 12);
  }
});

test.each([
  // A cut goes up to a fifth, a step of a run down to a tone and a half.
  [
    [67, 57, 54],
    ['cut', 'run'],
  ],
  [[68, 57, 54], ['run']],
  [[67, 56, 54], ['cut']],
  [[67, 57, 53], ['cut']],
])('beside C4 the buttons %j give %j', (pitches, figures) => {
  const [own, ...others] = [60, ...pitches].map((pitch) => ({
    id: `${pitch}`,
    pitch,
    place: `${pitch}`,
    technique: 'plain',
    air: undefined,
    able: true,
    words: `button ${pitch}`,
    redundantTo: undefined,
  }));
  expect(buttonFigures(own!, others, () => true).map(({ id }) => id)).toEqual(figures);
});

test('a dulcimer hammers on, pulls off and slides along its string, and never from an open string by a slide', () => {
  const instrument = open('dulcimer');
  const melody = instrument.ways.filter(({ technique }) => technique === 'melody');
  const at = (semitones: number) =>
    instrument
      .figures(
        melody.find(({ pitch }) => pitch === melody[0]!.pitch + semitones)!,
        majorOf(instrument),
      )
      .map(({ id }) => id);
  expect(at(0)).toEqual(['pull']);
  // Fret 1, a tone above the open string.
  expect(at(2)).toEqual(['hammer', 'pull']);
  expect(at(4)).toEqual(['hammer', 'pull', 'slide']);
});

test('a plan with an ornament of nothing is refused at its field', () => {
  const plan = { ...plainPlan(families.whistle), figures: [{ noteId: 'n1', wayIds: [] }] };
  expect(checkPlan(families.whistle, plan)).toMatchObject({ problems: [{ field: 'figures.0.wayIds' }] });
  expect(planFromLink({ figures: 'n1~%zz' }, families.whistle).figures).toEqual([
    { noteId: 'n1', wayIds: ['%zz'] },
  ]);
});
