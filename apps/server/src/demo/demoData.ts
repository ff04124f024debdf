import { expectOk } from '@same-song/core';
import { familyById, openInstrument, specFromPreset, type Capability } from '@same-song/core/instruments';
import {
  DEFAULT_SETTINGS,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  type Exchanged,
  type ExchangeFile,
} from '@same-song/core/records';
import { defaultQuestion, type StoredQuestion } from '@same-song/core/route';
import { plainPlan } from '@same-song/core/song';
import { readAbc } from '@same-song/formats';
import { BRAM_ID, demoPractice } from './demoPractice.ts';
import { demoMeasurings } from './demoSounds.ts';
import { LICKS, longDance, TUNES } from './tunes.ts';

/** Ids of the demo records: fixed, so that links to them stay good and a second import changes nothing. */
const id = (n: number) => `5a3e5046-0000-4000-8000-${String(n).padStart(12, '0')}`;

interface DemoInstrument {
  /** Its own, of which its id is made; what is added takes a new one, wherever it stands. */
  readonly number: number;
  readonly family: string;
  readonly preset: string;
  readonly name: string;
  readonly notes: string;
  readonly tuning?: string;
  /** Layout options that differ from the preset's. */
  readonly options?: Readonly<Record<string, string>>;
  /** Pitch and cents of the tongues of a drum, from the centre round the ring. */
  readonly tongues?: readonly (readonly [pitch: number, cents: number])[];
  readonly measured?: Readonly<Record<string, number>>;
  readonly choices?: readonly string[];
  readonly capability?: Capability;
  readonly a4?: number;
}

/** The cabinet of the evening music room at Tern Haven, which prepares its lantern walk. All of it is made up. */
const INSTRUMENTS: readonly DemoInstrument[] = [
  {
    number: 1,
    family: 'diatonic',
    preset: '51',
    name: 'Mara’s low E♭ harmonica',
    notes: 'For the slow airs at the quay. Reeds set close: overblows speak on 4, 5 and 6.',
    capability: { overblow: ['4', '5', '6'] },
    a4: 442,
  },
  {
    number: 2,
    family: 'diatonic',
    preset: '56',
    name: 'A♭ harmonica of the room',
    notes: 'Lent out on Thursdays. No over-notes out of the box.',
  },
  {
    number: 3,
    family: 'diatonic',
    preset: '58',
    name: 'Ossian’s B♭ harmonica',
    notes: 'All overblows, overdraws on 7 and 10.',
    capability: { overblow: ['1', '4', '5', '6'], overdraw: ['7', '10'] },
    a4: 442,
  },
  {
    number: 4,
    family: 'diatonic',
    preset: '65',
    name: 'F harmonica, bright one',
    notes: 'Bends above hole 7 are hard work on this one.',
    capability: { 'blow-bend': ['8', '9'] },
  },
  {
    number: 5,
    family: 'diatonic',
    preset: '62',
    name: 'D harmonica for the reels',
    notes: 'Third hole raised, so that the sixth is there without a bend.',
    tuning: 'third-raised',
  },
  {
    number: 6,
    family: 'diatonic',
    preset: '57',
    name: 'A harmonica, minor',
    notes: 'Natural minor tuning for the lantern song.',
    tuning: 'natural-minor',
  },
  {
    number: 7,
    family: 'chromatic',
    preset: '60-12',
    name: 'Imke’s slide harmonica',
    notes: 'For the waltz with the wandering bridge.',
  },
  {
    number: 8,
    family: 'whistle',
    preset: '75',
    name: 'E♭ whistle of the room',
    notes: 'Brass tube, conical. The note ten up was tried against the tuner in March.',
    measured: { oxxooo: -6, oxxxoo: -22, oxxxxo: -31 },
    choices: ['oxxooo'],
  },
  {
    number: 9,
    family: 'whistle',
    preset: '70',
    name: 'Pelle’s B♭ whistle',
    notes: 'Plain tube: three fingers for the note ten up.',
    options: { bore: 'cylindrical' },
    measured: { oxxooo: 27, oxxxoo: 3 },
  },
  {
    number: 10,
    family: 'english',
    preset: 'treble',
    name: 'Runa’s English concertina',
    notes: 'From an attic at Tern Haven; stands high.',
    a4: 452.5,
  },
  {
    number: 11,
    family: 'anglo',
    preset: 'G-D-sharp-on-push',
    name: 'Harbour Anglo in G/D',
    notes: 'Small bellows, leaks a little.',
    options: { bellows: 'small' },
  },
  {
    number: 12,
    family: 'dulcimer',
    preset: 'c3-g3-c4',
    name: 'Oda’s dulcimer',
    notes: 'Kept in C G C for the class.',
    options: { fretboard: 'extra' },
  },
  {
    number: 13,
    family: 'harp',
    preset: 'f-26',
    name: 'Little harp, F with levers down',
    notes: 'Levers stiff on the lowest strings.',
  },
  {
    number: 14,
    family: 'drum',
    preset: 'd-minor-9',
    name: 'Lantern drum',
    notes: 'A tuning of our own, made for the walk; some tongues are a little off.',
    tongues: [
      [50, 0],
      [57, -4],
      [60, 6],
      [62, 0],
      [65, -9],
      [67, 3],
      [69, 0],
      [72, 8],
      [74, -5],
      [77, 0],
    ],
  },
];

interface DemoQuestion extends Partial<Omit<StoredQuestion, 'preferences'>> {
  readonly name: string;
  /** Number of an instrument. */
  readonly instrument: number;
  readonly preset?: string;
}

const ASKS: readonly DemoQuestion[] = [
  {
    name: 'Lantern walk, opening blues',
    instrument: 1,
    tonic: 'Bb',
    scale: 'blues-six',
    range: { kind: 'octaves', octaves: 2, from: 'best' },
  },
  {
    name: 'Quay song, slow',
    instrument: 3,
    tonic: 'C',
    scale: 'natural-minor',
    range: { kind: 'octaves', octaves: 2, from: 'best' },
    direction: 'up',
    preset: 'air',
  },
  { name: 'Thursday beginners', instrument: 2, tonic: 'Ab', scale: 'major', preset: 'beginner' },
  { name: 'Whistle beginners in A♭', instrument: 8, tonic: 'Ab', scale: 'major', preset: 'no-halves' },
  {
    name: 'Concertina, quay song across the rows',
    instrument: 11,
    tonic: 'G',
    scale: 'major',
    preset: 'across',
  },
  {
    name: 'Drum, down to the anchor',
    instrument: 14,
    tonic: 'D',
    scale: 'minor-pentatonic',
    pattern: 'anchor',
    direction: 'down',
  },
  { name: 'Reel warm-up', instrument: 5, tonic: 'E', scale: 'dorian', preset: 'no-overs' },
];

function numbered(number: number): DemoInstrument {
  const found = INSTRUMENTS.find((one) => one.number === number);
  if (!found) throw new Error(`no demo instrument has the number ${number}`);
  return found;
}

/** Number of the first instrument of a family. */
function firstOf(family: string): number {
  const found = INSTRUMENTS.find((one) => one.family === family);
  if (!found) throw new Error(`no demo instrument is of the family ${family}`);
  return found.number;
}

function instrument(demo: DemoInstrument): Exchanged<'instruments'> {
  const spec = specFromPreset(demo.family, demo.preset);
  const { name, notes, tongues, capability = {}, a4 = spec.a4, measured = {}, choices = [] } = demo;
  const changes = { ...(demo.tuning ? { tuning: demo.tuning } : {}), ...demo.options };
  const changed = Object.entries(changes).reduce<unknown>((layout, [option, value]) => {
    const opened = familyById(demo.family)!.open(layout, {});
    if (!opened.ok) throw new Error(`demo instrument ${demo.name}: ${opened.problems[0]!.message}`);
    return opened.value.withOption(option, value);
  }, spec.layout);
  const layout = tongues
    ? { tongues: tongues.map(([pitch, cents], slot) => ({ pitch, cents, slot })) }
    : changed;
  const opened = openInstrument({ ...spec, layout });
  if (!opened.ok) throw new Error(`demo instrument ${name}: ${opened.problems[0]!.message}`);
  const pitches = new Map(opened.value.ways.map((way) => [way.id, way.pitch]));
  const measurements = Object.fromEntries(
    Object.entries(measured).map(([way, cents]) => [way, { pitch: pitches.get(way)!, cents }]),
  );
  return {
    ...spec,
    id: id(demo.number),
    name,
    layout,
    capability,
    a4,
    notes,
    choices,
    measured: measurements,
  };
}

function question(
  { name, instrument: of, preset, ...rest }: DemoQuestion,
  number: number,
): Exchanged<'questions'> {
  const family = familyById(numbered(of).family)!;
  const base = defaultQuestion(family);
  const preferences = { ...base.preferences, preset: preset ?? base.preferences.preset };
  return {
    id: id(100 + number),
    name,
    instrumentId: id(of),
    question: { ...base, ...rest, preferences },
  };
}

const PROGRESSIONS = [
  { name: 'Lantern walk, turning round', text: '1 6m 4 5 1 6m 2m,5 1', beats: 4 },
  { name: 'Slow air of the quay', text: '1m b7 b6 b7 1m 4m 57 1m', beats: 3 },
];

/** Layouts to begin new instruments with, taken from instruments of the room. */
const LAYOUTS = [{ name: 'Like the lantern drum', like: firstOf('drum') }];

/** Every tune is well-formed ABC, or the demo could not be made. */
function songs(): readonly Exchanged<'songs'>[] {
  return [...TUNES, longDance(), ...LICKS].map((abc, index) => {
    const [read] = readAbc(abc);
    return { id: id(500 + index), ...expectOk(read!).song };
  });
}

/** Arrangements to begin with: a song by its number, an instrument by its number, and how far the song is moved. */
const ARRANGED = [
  { song: 0, on: 1, transpose: -4, name: 'Lanterns, for Mara’s low harmonica' },
  {
    song: 2,
    on: firstOf('anglo'),
    transpose: 2,
    name: 'Net menders, squeezed',
  },
];

function arrangement(
  { song, on, transpose, name }: (typeof ARRANGED)[number],
  index: number,
): Exchanged<'arrangements'> {
  const plan = { ...plainPlan(familyById(numbered(on).family)!), transpose };
  return { id: id(600 + index), name, songId: id(500 + song), instrumentId: id(on), plan };
}

const TAGS = [
  { name: 'lick', about: 'A bar or two, to be played in every position.' },
  { name: 'slow air', about: 'Without a count, as one would say it.' },
];

/** The demo data as a file that the ordinary import reads. @param now ms since 1970: what was practised ends the day before */
export function demoData(now = Date.now()): ExchangeFile {
  const instruments = INSTRUMENTS.map((demo) => instrument(demo));
  return {
    format: EXCHANGE_FORMAT,
    version: EXCHANGE_VERSION,
    instruments,
    questions: ASKS.map(question),
    progressions: PROGRESSIONS.map((progression, index) => ({ id: id(300 + index), ...progression })),
    layouts: LAYOUTS.map(({ name, like }, index) => {
      const { family, layout } = instrument(numbered(like));
      return { id: id(400 + index), family, name, layout };
    }),
    tags: TAGS.map((tag, index) => ({ id: id(450 + index), ...tag })),
    songs: songs(),
    arrangements: ARRANGED.map(arrangement),
    ...demoPractice(instruments, now),
    measurings: demoMeasurings(instruments, now, id),
    settings: { ...DEFAULT_SETTINGS, person: BRAM_ID },
  };
}
