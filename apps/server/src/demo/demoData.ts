import {
  DEFAULT_SETTINGS,
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  defaultAsk,
  familyById,
  specFromPreset,
  type Capability,
  type ExchangedAsk,
  type ExchangedInstrument,
  type ExchangeFile,
  type StoredAsk,
} from '@same-song/core';

/** Ids of the demo records: fixed, so that links to them stay good and a second import changes nothing. */
const id = (n: number) => `5a3e5046-0000-4000-8000-${String(n).padStart(12, '0')}`;

interface DemoInstrument {
  readonly family: string;
  readonly preset: string;
  readonly name: string;
  readonly notes: string;
  readonly tuning?: string;
  readonly capability?: Capability;
  readonly a4?: number;
}

/** The cabinet of the evening music room at Tern Haven, which prepares its lantern walk. All of it is made up. */
const INSTRUMENTS: readonly DemoInstrument[] = [
  {
    family: 'diatonic',
    preset: '51',
    name: 'Mara’s low E♭ harmonica',
    notes: 'For the slow airs at the quay. Reeds set close: overblows speak on 4, 5 and 6.',
    capability: { overblow: ['4', '5', '6'] },
    a4: 442,
  },
  {
    family: 'diatonic',
    preset: '56',
    name: 'A♭ harmonica of the room',
    notes: 'Lent out on Thursdays. No over-notes out of the box.',
  },
  {
    family: 'diatonic',
    preset: '58',
    name: 'Ossian’s B♭ harmonica',
    notes: 'All overblows, overdraws on 7 and 10.',
    capability: { overblow: ['1', '4', '5', '6'], overdraw: ['7', '10'] },
    a4: 442,
  },
  {
    family: 'diatonic',
    preset: '65',
    name: 'F harmonica, bright one',
    notes: 'Bends above hole 7 are hard work on this one.',
    capability: { 'blow-bend': ['8', '9'] },
  },
  {
    family: 'diatonic',
    preset: '62',
    name: 'D harmonica for the reels',
    notes: 'Third hole raised, so that the sixth is there without a bend.',
    tuning: 'third-raised',
  },
  {
    family: 'diatonic',
    preset: '57',
    name: 'A harmonica, minor',
    notes: 'Natural minor tuning for the lantern song.',
    tuning: 'natural-minor',
  },
];

interface DemoAsk extends Partial<Omit<StoredAsk, 'preferences'>> {
  readonly name: string;
  readonly instrument: number;
  readonly preset?: string;
}

const ASKS: readonly DemoAsk[] = [
  {
    name: 'Lantern walk, opening blues',
    instrument: 0,
    tonic: 'Bb',
    scale: 'blues-six',
    span: { kind: 'octaves', octaves: 2 },
  },
  {
    name: 'Quay song, slow',
    instrument: 2,
    tonic: 'C',
    scale: 'natural-minor',
    span: { kind: 'octaves', octaves: 2 },
    direction: 'up',
    preset: 'air',
  },
  { name: 'Thursday beginners', instrument: 1, tonic: 'Ab', scale: 'major', preset: 'beginner' },
  { name: 'Reel warm-up', instrument: 4, tonic: 'E', scale: 'dorian', preset: 'no-overs' },
];

function instrument(demo: DemoInstrument, index: number): ExchangedInstrument {
  const spec = specFromPreset(demo.family, demo.preset);
  const family = familyById(demo.family)!;
  const opened = family.open(spec.layout, {});
  if (!opened.ok) throw new Error(`demo instrument ${demo.name}: ${opened.problems[0]!.message}`);
  const layout = demo.tuning ? opened.value.withOption('tuning', demo.tuning) : opened.value.layout;
  const { name, notes, capability = {}, a4 = spec.a4 } = demo;
  return { ...spec, id: id(index + 1), name, layout, capability, a4, notes };
}

function ask({ name, instrument: index, preset, ...rest }: DemoAsk, number: number): ExchangedAsk {
  const family = familyById(INSTRUMENTS[index]!.family)!;
  const base = defaultAsk(family);
  const preferences = { ...base.preferences, preset: preset ?? base.preferences.preset };
  return { id: id(100 + number), name, instrumentId: id(index + 1), ask: { ...base, ...rest, preferences } };
}

/** The demo data as a file that the ordinary import reads. */
export function demoData(): ExchangeFile {
  return {
    format: EXCHANGE_FORMAT,
    version: EXCHANGE_VERSION,
    instruments: INSTRUMENTS.map(instrument),
    asks: ASKS.map(ask),
    settings: DEFAULT_SETTINGS,
  };
}
