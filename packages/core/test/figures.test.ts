import { buttonFigures } from '../src/families/figure.ts';
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { openInstrument, specFromPreset, type Instrument } from '../src/instrument/instrument.ts';
import { parseNote } from '../src/pitch/noteName.ts';
import { keyOf, scaleById, USUAL_KEYS, type Key } from '../src/scale/scale.ts';
import { soundingPitch } from '../src/pitch/spelledPitch.ts';
import { expectOk } from '../src/result.ts';
import { checkPlan, plainPlan } from '../src/song/arrangement.ts';
import { planFromLink, planToLink } from '../src/song/planLink.ts';
import { performance } from '../src/song/performance.ts';
import { mapNotes, melodyOf } from '../src/song/song.ts';
import { figureOffers } from '../src/song/songFigures.ts';
import { keyOfSongKey } from '../src/song/songKey.ts';
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
      for (const { before, within = [], through, words } of offers) {
        expect(words).not.toBe('');
        const touches = [...before, ...within, ...(through ? [{ pitch: through.pitch, way: through }] : [])];
        expect(touches.length).toBeGreaterThan(0);
        expect(touches.some((touch) => touch.way?.id !== way.id)).toBe(true);
        for (const touch of touches) if (touch.way) expect(instrument.ways).toContain(touch.way);
      }
    }
    expect(found).toBeGreaterThan(5);
  });

  test('one that is put in stands as grace notes before its note and shifts nothing', () => {
    const [offer] = figureOffers(instrument, song, plan, had.id, notation);
    const with_ = { ...plan, figures: [offer!.figure] };
    const view = songView(instrument, song, with_, notation);
    const note = melodyOf(view.song).voice.notes.find((one) => one.id === had.id)!;
    const way = instrument.ways.find((one) => one.id === had.wayId)!;
    const figure = instrument
      .figures(way, keyOfSongKey(view.song.keys[0]!))
      .find((one) => one.id === offer!.figure.figure)!;
    expect(note.grace!.map(soundingPitch)).toEqual(figure.before.map(({ pitch }) => pitch));
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
    'warble with 5 draw, as long as it lasts',
    'dip, begun as 4 draw bent 1',
  ]);
  // 5 blow neither bends nor has a hole below that it does not share a breath with.
  expect(words('diatonic', '5 blow', '60')).toEqual([
    'shake with 6 blow',
    'shake with 4 blow',
    'warble with 6 blow, as long as it lasts',
  ]);
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
      for (const { before } of instrument.figures(way, inG))
        for (const { pitch } of before) expect(classes).toContain(pitch % 12);
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
  const plan = { ...plainPlan(families.whistle), figures: [{ noteId: 'n1', figure: '' }] };
  expect(checkPlan(families.whistle, plan)).toMatchObject({ problems: [{ field: 'figures.0.figure' }] });
  expect(planFromLink({ figures: 'n1~%zz' }, families.whistle).figures).toEqual([
    { noteId: 'n1', figure: '%zz' },
  ]);
});

describe('on a whistle every ornament is one finger', () => {
  const whistle = open('whistle', '74');
  const offersOf = (way: Instrument['ways'][number]) => whistle.figures(way, majorOf(whistle));
  const pattern = (id: string) => id.replace(/\+/g, '');
  const wayOf = (id: string) => whistle.ways.find((way) => way.id === id)!;
  const summary = (id: string) => offersOf(wayOf(id)).map((one) => one.words);

  test('by hand: what is cut, struck, rolled and cranned, low and overblown', () => {
    // D has no strike, C♯ no cut; D E F♯ and G are cut with finger 3, A with 2, B with 1.
    expect(summary('xxxxxx')).toEqual([
      'cut with finger 3',
      'long cran: fingers 3 and 4',
      'short cran: fingers 3 and 4',
    ]);
    const rolled = (cut: number, strike: number, slide: string) => [
      `cut with finger ${cut}`,
      `strike with finger ${strike}`,
      `long roll: fingers ${cut} and ${strike}`,
      `short roll: fingers ${cut} and ${strike}`,
      ...(slide === '' ? [] : [`slide up off hole ${slide}`]),
    ];
    expect(summary('xxxxxo')).toEqual(rolled(3, 6, '6'));
    expect(summary('xxxxxo+')).toEqual(rolled(3, 6, '6'));
    expect(summary('xxxxoo')).toEqual(rolled(3, 5, '5'));
    expect(summary('xxxooo+')).toEqual(rolled(3, 4, ''));
    expect(summary('xxoooo')).toEqual(rolled(2, 3, '3'));
    expect(summary('xooooo')).toEqual(rolled(1, 2, '2'));
    expect(summary('oooooo')).toEqual(['strike with finger 1', 'slide up off hole 1']);
    for (const id of ['oxxooo', 'oooxxx', 'oxxxxx+', 'xxxxxh', 'xxxxxh+', 'oxxxoo'])
      expect([id, summary(id)]).toEqual([id, []]);
  });

  test('a struck E of the second octave sounds its D with all holes covered, and a cut G its A', () => {
    const pitches = (id: string, figure: string) =>
      offersOf(wayOf(id))
        .find((one) => one.id === figure)!
        .before.map(({ pitch }) => pitch);
    // D5 is 74; E6 is 88 and D6 86; G5 79, A5 81.
    expect(pitches('xxxxxo+', 'strike')).toEqual([86]);
    expect(pitches('xxxooo', 'cut')).toEqual([81]);
    // E is cut with finger 3 and never by the note above it.
    expect(pitches('xxxxxo', 'cut')).toEqual([81]);
  });

  test('what is heard of a cut and a strike is a fingering with that finger lifted or put down', () => {
    let checked = 0;
    for (const way of whistle.ways.filter(({ id }) => /^x*o*\+*$/.test(id)))
      for (const { id, before, words } of offersOf(way)) {
        if (id !== 'cut' && id !== 'strike') continue;
        checked += 1;
        const finger = Number(/\d/.exec(words)![0]);
        const [from, to] = id === 'cut' ? ['x', 'o'] : ['o', 'x'];
        expect(pattern(way.id)[finger - 1]).toBe(from);
        const moved = [...pattern(way.id)].map((mark, i) => (i === finger - 1 ? to : mark));
        // Below the first open hole it hardly matters what is covered.
        const upTo = moved.indexOf('o');
        const heard = moved.map((mark, i) => (upTo >= 0 && i > upTo ? 'o' : mark)).join('');
        const sounds = whistle.ways
          .filter(({ pitch }) => pitch === before[0]!.pitch)
          .map((one) => pattern(one.id));
        expect(sounds).toContain(heard);
      }
    expect(checked).toBeGreaterThan(20);
  });
});

describe('ornaments have their times', () => {
  const whistle = open('whistle', '74');
  const notation = { naming: 'key', dialect: families.whistle.dialects[0]!.id } as const;
  const JIG = songOf('G4*3/2 G4*3/2 | E4 F♯4*1/2 G4*1/2 A4*1/2 A4*1/2', {
    metres: [{ at: 0, count: 6, unit: 8 }],
    keys: [{ at: 0, tonic: { letter: 'G', accidental: 0 }, scale: 'major' }],
  });
  const plan = { ...plainPlan(families.whistle), transpose: 12 };
  const rolled = (figures: readonly { readonly noteId: string; readonly figure: string }[]) =>
    songView(whistle, JIG, { ...plan, figures }, notation);

  test('a long roll is three thirds with two flicks between, a short one begins with its cut', () => {
    const view = rolled([
      { noteId: 'n1', figure: 'roll' },
      { noteId: 'n3', figure: 'short-roll' },
    ]);
    // Dotted quarters at 120: a roll of half a second on G5 (79), flicked by A5 (81) and F♯5 (78).
    const { soundings } = performance(view.song, { perMinute: 120, repeats: false, countIn: false });
    const of = (noteId: string) =>
      soundings
        .filter((one) => one.noteId === noteId)
        .map(({ kind, at, seconds, pitch }) => [kind, at, seconds, pitch]);
    const [sixth, third] = [0.5 / 3, (2 * 0.5) / 3];
    expect(of('n1')).toEqual([
      ['melody', 0, expect.closeTo(sixth), 79],
      ['grace', expect.closeTo(sixth), 0.03, 81],
      ['grace', expect.closeTo(sixth + 0.03), expect.closeTo(sixth - 0.03), 79],
      ['grace', expect.closeTo(third), 0.03, 78],
      ['grace', expect.closeTo(third + 0.03), expect.closeTo(sixth - 0.03), 79],
    ]);
    // A quarter is a third of a second: cut by A5 with finger 3, half-way the strike, D5 (74).
    expect(of('n3')).toEqual([
      ['grace', 1, 0.06, 81],
      ['melody', expect.closeTo(1.06), expect.closeTo(1 / 6 - 0.06), 76],
      ['grace', expect.closeTo(1 + 1 / 6), 0.03, 74],
      ['grace', expect.closeTo(1 + 1 / 6 + 0.03), expect.closeTo(1 / 6 - 0.03), 76],
    ]);
    expect(view.tabText.match(/\{roll\}/g)).toHaveLength(2);
    expect(melodyOf(view.song).voice.notes.map(({ marks = [] }) => marks.join())).toEqual([
      'roll',
      '',
      'roll',
      ...['', '', '', ''],
    ]);
  });

  test('rolls are offered on notes long enough for them', () => {
    const offers = (noteId: string) =>
      figureOffers(whistle, JIG, plan, noteId, notation).map(({ figure }) => figure.figure);
    expect(offers('n1')).toEqual(['cut', 'strike', 'roll']);
    expect(offers('n3')).toEqual(['cut', 'strike', 'short-roll', 'slide']);
    expect(offers('n5')).toEqual(['cut', 'strike']);
  });

  test('a jig has long rolls on its dotted beats and cuts between notes repeated', () => {
    expect(rolled([]).dance).toEqual([
      { noteId: 'n1', figure: 'roll' },
      { noteId: 'n2', figure: 'roll' },
      { noteId: 'n7', figure: 'cut' },
    ]);
  });

  test('a reel has short rolls on the quarters of its strong beats, and a cran on its lowest note', () => {
    const reel = songOf('E4 F♯4 D4 G4 | G4*3/2 A4*1/2 B4*2', {
      keys: [{ at: 0, tonic: { letter: 'D', accidental: 0 }, scale: 'major' }],
    });
    expect(songView(whistle, reel, plan, notation).dance).toEqual([
      { noteId: 'n1', figure: 'short-roll' },
      { noteId: 'n3', figure: 'short-cran' },
      { noteId: 'n5', figure: 'roll' },
      { noteId: 'n7', figure: 'roll' },
    ]);
  });

  test('a warble goes to and fro as long as its note lasts', () => {
    const harp = open('diatonic', '60');
    const line = songOf('D5*4');
    const view = songView(
      harp,
      line,
      { ...plainPlan(families.diatonic), transpose: 0, figures: [{ noteId: 'n1', figure: 'warble' }] },
      { naming: 'key', dialect: families.diatonic.dialects[0]!.id },
    );
    const { soundings } = performance(view.song, { perMinute: 100, repeats: false, countIn: false });
    const own = soundings.filter(({ noteId }) => noteId === 'n1');
    // 2.4 seconds at 100 a minute: fifteen times 4 draw and 5 draw, 0.08 s each.
    expect(own).toHaveLength(30);
    expect(own.map(({ pitch }) => pitch).slice(0, 4)).toEqual([74, 77, 74, 77]);
    for (const { seconds } of own) expect(seconds).toBeCloseTo(0.08);
    expect(own[0]).toMatchObject({ kind: 'melody', lasts: expect.closeTo(2.4) });
  });

  test('a roll that is only a sign is played by the steps of its key, and one of another way goes when its note moves', () => {
    const signed = mapNotes(JIG, (note) => (note.id === 'n1' ? { ...note, marks: ['roll'] as const } : note));
    const { soundings } = performance(signed, { perMinute: 120, repeats: false, countIn: false });
    expect(soundings.filter(({ noteId }) => noteId === 'n1').map(({ pitch }) => pitch)).toEqual([
      67, 69, 67, 66, 67,
    ]);
    // The lowest note has no strike, so it has no roll.
    const lower = songView(
      whistle,
      JIG,
      { ...plan, transpose: 7, figures: [{ noteId: 'n1', figure: 'roll' }] },
      notation,
    );
    expect(lower.line[0]!.note).toBe('D5');
    expect(lower.tabText).not.toContain('{roll}');
  });
});
