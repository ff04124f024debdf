import { expectOk, seededRandom, type SeededRandom } from '@same-song/core';
import { familyById, openInstrument, type Instrument } from '@same-song/core/instruments';
import { keyOf, parseNote, scaleById } from '@same-song/core/music';
import { USUAL_WAY, type HowToPractise, type LogEntry, type Practised } from '@same-song/core/practice';
import type { Exchanged, ExchangeFile } from '@same-song/core/records';
import { defaultQuestion, type StoredQuestion } from '@same-song/core/route';
import { plainPlan } from '@same-song/core/song';
import { withSounds } from './demoSounds.ts';

type Instruments = ExchangeFile['instruments'];
type Kinds = 'people' | 'items' | 'routines' | 'log';

const DAY = 86_400_000;
const id = (n: number) => `5a3e5046-0000-4000-8000-${String(n).padStart(12, '0')}`;

/** The teacher of the room and two pupils. All of them are made up. */
const PEOPLE = [
  { name: 'Mara Quill', notes: 'Teaches the evening room at Tern Haven.' },
  { name: 'Bram Sallow', notes: 'Low harmonica since spring. Patient; bends came late.' },
  { name: 'Ilse Tarn', notes: 'Concertina. Away for the herring weeks.' },
];
const [MARA, BRAM, ILSE] = [0, 1, 2] as const;

/** Who practises when the demo opens. */
export const BRAM_ID = id(700 + BRAM);

interface DemoItem {
  readonly name: string;
  /** Number of the instrument, from 0. */
  readonly on: number;
  readonly set?: boolean;
  readonly how?: Partial<HowToPractise>;
  readonly ask?: Partial<StoredQuestion>;
  readonly what?: (question: StoredQuestion, instruments: Instruments) => Practised;
  /** Number of the song. */
  readonly song?: number;
  readonly who: number;
}

const asSong =
  (transpose: number) =>
  (_: StoredQuestion, instruments: Instruments, on = 0): Practised => ({
    kind: 'song',
    plan: { ...plainPlan(familyById(instruments[on]!.family)!), transpose },
  });

/** @param families where each family stands among the instruments */
function itemsOf(first: (family: string) => number): readonly DemoItem[] {
  const [anglo, drum, english] = [first('anglo'), first('drum'), first('english')];
  return [
    {
      name: 'Six-note blues in B♭, groups of three',
      who: BRAM,
      on: 0,
      set: true,
      ask: { tonic: 'Bb', scale: 'blues-six', pattern: 'threes' },
      how: { tempo: 54, wanted: 96, rhythm: 'swung', groove: 'shuffle', minutes: 6 },
    },
    {
      name: 'B♭ major, two octaves',
      who: BRAM,
      on: 0,
      ask: { tonic: 'Bb', scale: 'major', range: { kind: 'octaves', octaves: 2, from: 'best' } },
      how: { tempo: 60, wanted: 120, articulation: 'short', minutes: 4 },
    },
    {
      name: 'Minor pentatonic by fifths',
      who: MARA,
      on: 0,
      ask: { tonic: 'Bb', scale: 'minor-pentatonic' },
      how: { tempo: 66, wanted: 100, order: 'fifths', minutes: 8 },
    },
    {
      name: 'Twelve bars of blues to play over',
      who: BRAM,
      on: 0,
      ask: { tonic: 'Bb', scale: 'blues-six' },
      how: { tempo: 84, wanted: 108, groove: 'shuffle', minutes: 8 },
      what: (question) => ({ kind: 'jam', text: '17 17 17 17 47 47 17 17 57 47 17 57', beats: 4, question }),
    },
    {
      name: 'Lanterns Down the Slip, slowly',
      who: BRAM,
      on: 0,
      song: 0,
      what: asSong(-4),
      how: { tempo: 60, wanted: 104, minutes: 5 },
    },
    {
      name: 'Where is this note? Low E♭',
      who: BRAM,
      on: 0,
      ask: { tonic: 'Bb', scale: 'major' },
      how: { minutes: 3 },
      what: (question) => ({ kind: 'drill', drill: 'note-way', question }),
    },
    {
      name: 'The Net Menders, squeezed',
      who: ILSE,
      on: anglo,
      song: 2,
      what: (question, instruments) => asSong(2)(question, instruments, anglo),
      how: { tempo: 80, wanted: 132, minutes: 7 },
    },
    {
      name: 'G major in broken thirds',
      who: ILSE,
      on: anglo,
      ask: { tonic: 'G', scale: 'major', pattern: 'thirds' },
      how: { tempo: 60, wanted: 112, rhythm: 'eighths', minutes: 5 },
    },
    {
      name: 'Which note is this? Both hands',
      who: ILSE,
      on: english,
      ask: { tonic: 'D', scale: 'major' },
      how: { minutes: 3 },
      what: (question) => ({ kind: 'drill', drill: 'way-note', question }),
    },
    {
      name: 'Drum, down to the anchor',
      who: MARA,
      on: drum,
      ask: { tonic: 'D', scale: 'minor-pentatonic', pattern: 'anchor', direction: 'down' },
      how: { tempo: 70, wanted: 100, minutes: 4 },
    },
  ];
}

/** What somebody plays through the weeks: item, how many days of seven, and how the tempo goes. */
interface Habit {
  readonly who: number;
  readonly item: number;
  readonly days: number;
  readonly from: number;
  readonly to: number;
  /** Share of clean rounds in the first and in the last week. */
  readonly clean: readonly [number, number];
  /** Weeks without any, counted from the first. */
  readonly away?: readonly number[];
  /** Weeks in which the tempo stands still. */
  readonly plateau?: readonly number[];
}

const WEEKS = 13;
const HABITS: readonly Habit[] = [
  { who: BRAM, item: 0, days: 4, from: 54, to: 90, clean: [0.3, 0.8], plateau: [5, 6, 7] },
  { who: BRAM, item: 1, days: 3, from: 60, to: 102, clean: [0.5, 0.9] },
  { who: BRAM, item: 3, days: 2, from: 80, to: 100, clean: [0.6, 0.8] },
  { who: BRAM, item: 4, days: 2, from: 60, to: 84, clean: [0.4, 0.7] },
  { who: BRAM, item: 5, days: 3, from: 0, to: 0, clean: [0.4, 0.8] },
  { who: ILSE, item: 6, days: 4, from: 80, to: 118, clean: [0.4, 0.7], away: [6, 7, 8] },
  { who: ILSE, item: 7, days: 2, from: 60, to: 84, clean: [0.3, 0.6], away: [6, 7, 8, 9] },
  { who: ILSE, item: 8, days: 2, from: 0, to: 0, clean: [0.5, 0.7], away: [5, 6, 7, 8] },
  { who: MARA, item: 2, days: 5, from: 76, to: 92, clean: [0.8, 0.95] },
  { who: MARA, item: 9, days: 1, from: 70, to: 88, clean: [0.8, 0.9] },
];

/** People, what they practise, and three months of it up to a day. @param now ms since 1970 */
export function demoPractice(
  instruments: Instruments,
  now: number,
): { readonly [K in Kinds]: readonly Exchanged<K>[] } {
  const items = itemsOf((family) => instruments.findIndex((one) => one.family === family)).map(
    (demo, index) => itemOf(demo, index, instruments),
  );
  const random = seededRandom(20);
  let number = 0;
  const log: Exchanged<'log'>[] = [];
  const lastNight = Math.floor(now / DAY) * DAY - DAY;
  for (let back = WEEKS * 7 - 1; back >= 0; back -= 1)
    for (const habit of HABITS) {
      const week = WEEKS - 1 - Math.floor(back / 7);
      if (habit.away?.includes(week) || random.next() >= habit.days / 7) continue;
      const item = items[habit.item]!;
      const at = lastNight - back * DAY + (17 + habit.who) * 3_600_000 + random.below(90) * 60_000;
      const entry = entryOf(habit, item, { week, at, random, instruments });
      log.push({ id: id(2000 + number), entry: id(5000 + number), ...entry });
      number += 1;
    }
  return {
    people: PEOPLE.map((person, index) => ({ id: id(700 + index), ...person })),
    items,
    routines: [
      {
        id: id(780),
        name: 'Warm-up of the evening room',
        steps: [1, 0, 2].map((item) => ({ itemId: items[item]!.id, minutes: 3 })),
      },
    ],
    log,
  };
}

function itemOf(
  { name, on, set = false, how = {}, ask = {}, what, song, who }: DemoItem,
  index: number,
  instruments: Instruments,
): Exchanged<'items'> {
  const family = familyById(instruments[on]!.family)!;
  const question = { ...defaultQuestion(family), ...ask };
  return {
    id: id(720 + index),
    name,
    set,
    instrumentId: instruments[on]!.id,
    ...(song !== undefined && { songId: id(500 + song) }),
    personId: id(700 + who),
    how: { ...USUAL_WAY, ...how },
    what: what?.(question, instruments) ?? { kind: 'line', question },
  };
}

function entryOf(
  { who, from, to, clean, plateau = [] }: Habit,
  item: Exchanged<'items'>,
  told: {
    readonly week: number;
    readonly at: number;
    readonly random: SeededRandom;
    readonly instruments: Instruments;
  },
): Omit<LogEntry, 'entry'> {
  const { week, at, random, instruments } = told;
  // Weeks without progress count once.
  const still = plateau.filter((one) => one <= week).length;
  const share = Math.max(0, week - Math.max(0, still - 1)) / (WEEKS - 1);
  const rounds = item.what.kind === 'drill' ? 20 : 4 + random.below(8);
  const good = clean[0] + (clean[1] - clean[0]) * share;
  const cleanRounds = Array.from({ length: rounds }, () => random.next() < good).filter(Boolean).length;
  const tempo = to === 0 ? 0 : Math.round(from + (to - from) * share + random.below(7) - 3);
  const seed = Math.floor(at / 60_000);
  const heard = (ways: LogEntry['ways']) =>
    item.what.kind === 'line' ? withSounds(ways, openedOf(item, instruments), { share, seed }) : ways;
  return {
    revision: 1,
    at: new Date(at).toISOString(),
    name: item.name,
    itemId: item.id,
    personId: id(700 + who),
    instrumentId: item.instrumentId,
    tempo,
    rounds,
    clean: cleanRounds,
    minutes: Math.max(1, item.how.minutes - 1 + random.below(3)),
    keys: keysOf(item, random),
    ways: heard(waysOf(item, instruments, { random, missing: 1 - good })),
    note: '',
  };
}

function tonicOf(item: Exchanged<'items'>): number {
  const { what } = item;
  const tonic = what.kind === 'song' ? 'G' : what.question.tonic;
  const { letter, accidental } = expectOk(parseNote(tonic));
  return ({ C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }[letter] + accidental + 12) % 12;
}

function keysOf(item: Exchanged<'items'>, random: SeededRandom): readonly number[] {
  const tonic = tonicOf(item);
  if (item.how.order !== 'fifths') return [tonic];
  return Array.from({ length: 2 + random.below(4) }, (_, i) => (tonic + 7 * i) % 12);
}

function openedOf({ instrumentId }: Exchanged<'items'>, instruments: Instruments): Instrument {
  const { id: _, ...spec } = instruments.find(({ id: own }) => own === instrumentId)!;
  return expectOk(openInstrument(spec));
}

/** Ways of the scale, what is harder missed more often. */
function waysOf(
  item: Exchanged<'items'>,
  instruments: Instruments,
  { random, missing }: { readonly random: SeededRandom; readonly missing: number },
): LogEntry['ways'] {
  const { what } = item;
  if (what.kind === 'song' || what.kind === 'jam') return {};
  const opened = openedOf(item, instruments);
  const scale = expectOk(scaleById(what.question.scale));
  const key = keyOf(scale, expectOk(parseNote(what.question.tonic)));
  const tonic = tonicOf(item);
  const ways = opened.ways.filter(
    ({ able, redundantTo, pitch }) =>
      able && redundantTo === undefined && key.scale.semitones.includes((pitch - tonic + 120) % 12),
  );
  const plain = opened.family.techniques[0]!.id;
  return Object.fromEntries(
    ways.flatMap(({ id: wayId, technique }) => {
      const played = random.below(4);
      const odds = technique === plain ? missing / 4 : missing;
      const missed = Array.from({ length: played }, () => random.next() < odds).filter(Boolean).length;
      return played > 0 ? [[wayId, { played, missed }]] : [];
    }),
  );
}
