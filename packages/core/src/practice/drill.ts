import type { Way } from '../families/way.ts';
import type { Chord } from '../harmony/chord.ts';
import { chordSymbol } from '../harmony/chord.ts';
import { notesOver } from '../harmony/suitability.ts';
import { triadsOf } from '../harmony/scaleChords.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { fifthsOf, signsText } from '../pitch/keySignature.ts';
import { notePitchClass, noteText } from '../pitch/noteName.ts';
import { frequency, pitchClass, type Pitch } from '../pitch/pitch.ts';
import { usableWays } from '../route/context.ts';
import { CHROMATIC_DEGREE_NAMES } from '../scale/degree.ts';
import { namer } from '../scale/namer.ts';
import { aboveHome, keyOf, USUAL_KEYS, type Key } from '../scale/scale.ts';
import { CHOICES, chosen, heardEvenly, placed, type DrillQuestion, type Subject } from './drillQuestion.ts';
import { seededRandom, type SeededRandom } from './seededRandom.ts';
import { breaksOf, tuneIn, type Tune } from './tune.ts';

/** What can be asked, one after the other. */
export const DRILLS = Object.freeze([
  { id: 'note-way', label: 'Where is this note?', about: 'A name is given: show where it lies.' },
  { id: 'way-note', label: 'Which note is this?', about: 'A place is shown: name its note.' },
  {
    id: 'degree-way',
    label: 'Where is this degree?',
    about: 'A degree of the key is given: show where it lies.',
  },
  {
    id: 'key-fact',
    label: 'What is this key here?',
    about: 'A key is given: say what it is on this instrument.',
  },
  { id: 'signature', label: 'How many signs?', about: 'A major key and its sharps or flats.' },
  {
    id: 'chord-tones',
    label: 'Which notes are in the chord?',
    about: 'A chord is given: show one of its notes.',
  },
  {
    id: 'leave-out',
    label: 'What to leave out?',
    about: 'A chord is given: say which note of the scale rubs.',
  },
  { id: 'ear-degree', label: 'Which degree is it?', about: 'Home is heard, then a note: say its degree.' },
  { id: 'ear-interval', label: 'How far apart?', about: 'Two notes are heard: say the interval.' },
  { id: 'ear-way', label: 'Find what you hear', about: 'Home is heard, then a note: show where it lies.' },
  {
    id: 'ear-tune',
    label: 'How does the tune go on?',
    about: 'A tune of yours begins and breaks off: show its next note.',
  },
] as const);
export type DrillId = (typeof DRILLS)[number]['id'];

export function isDrill(value: unknown): value is DrillId {
  return DRILLS.some(({ id }) => id === value);
}

/** What a drill is played on. */
export interface DrillGround {
  readonly instrument: Instrument;
  readonly key: Key;
  /** How much more often than others something is asked, by what it is about; 1 where left out. */
  readonly weight?: (about: string) => number;
  /** Tunes that are known. */
  readonly tunes?: readonly Tune[];
}

/** Questions of a round. */
export const ROUND = 20;

/** Whether a drill makes sense on an instrument in a key. */
export function drillFits(drill: DrillId, ground: DrillGround): boolean {
  return subjectsOf(drill, ground).length > 1;
}

/**
 * A round of questions, none asked twice in a row, weak spots more often. The same seed asks the same.
 * @throws for a drill that does not fit
 */
export function drillRound(
  drill: DrillId,
  ground: DrillGround,
  seed: number,
  count = ROUND,
): readonly DrillQuestion[] {
  const random = seededRandom(seed);
  const subjects = subjectsOf(drill, ground);
  if (subjects.length < 2) throw new Error(`drillRound: ${drill} does not fit here`);
  const { weight = () => 1 } = ground;
  const round: DrillQuestion[] = [];
  while (round.length < count) {
    const last = round.at(-1)?.about;
    const open = subjects.filter(({ about }) => about !== last);
    round.push(weighted(random, open.length > 0 ? open : subjects, weight).ask(random));
  }
  return round;
}

function weighted(
  random: SeededRandom,
  subjects: readonly Subject[],
  weight: (about: string) => number,
): Subject {
  const weights = subjects.map(({ about }) => Math.max(0.05, weight(about)));
  let left = random.next() * weights.reduce((sum, one) => sum + one, 0);
  return subjects.find((_, i) => (left -= weights[i]!) < 0) ?? subjects.at(-1)!;
}

function subjectsOf(drill: DrillId, ground: DrillGround): readonly Subject[] {
  return SUBJECTS[drill](ground);
}

const SUBJECTS: Readonly<Record<DrillId, (ground: DrillGround) => readonly Subject[]>> = {
  'note-way': (ground) => {
    const { ways, name, words } = on(ground);
    return byPitch(ways).map(([pitch, own]) => placed(`Where is ${name.withOctave(pitch)}?`, own, { words }));
  },
  'way-note': (ground) => {
    const { ways, name } = on(ground);
    const names = [...new Set(ways.map(({ pitch }) => name.bare(pitch)))];
    return ways.map((way) => ({
      about: way.id,
      ask: (random) =>
        chosen(random, 'Which note is this?', name.bare(way.pitch), names, { shown: way.id, about: way.id }),
    }));
  },
  'degree-way': (ground) => {
    const { ways, words, degreeOf, home } = on(ground);
    return byPitch(ways.map((way) => ({ ...way, pitch: pitchClass(way.pitch) }))).map(([pc, own]) =>
      placed(`Where is degree ${degreeOf(pc)} of ${home}?`, own, { words }),
    );
  },
  'key-fact': ({ instrument, key }) => {
    const facts = USUAL_KEYS.map((tonic) => ({
      tonic: noteText(tonic),
      fact: instrument.facts(keyOf(key.scale, tonic))[0] ?? '',
    }));
    const known = facts.filter(({ fact }) => fact !== '');
    const all = [...new Set(known.map(({ fact }) => fact))];
    if (all.length < CHOICES) return [];
    return known.map(({ tonic, fact }) => ({
      about: tonic,
      ask: (random) =>
        chosen(random, `What is ${tonic} ${key.scale.name} here?`, fact, all, { about: tonic }),
    }));
  },
  signature: () => {
    const all = USUAL_KEYS.map((tonic) => ({ tonic: noteText(tonic), signs: signsText(fifthsOf(tonic)) }));
    const tonics = all.map(({ tonic }) => tonic);
    const signs = [...new Set(all.map((one) => one.signs))];
    return all.map(({ tonic, signs: own }): Subject => ({
      about: tonic,
      ask: (random) =>
        random.below(2) === 0
          ? chosen(random, `Signs of ${tonic} major?`, own, signs, { about: tonic })
          : chosen(
              random,
              `Which major key has ${own}?`,
              tonic,
              tonics.filter(
                (one) => one === tonic || !all.some((key) => key.tonic === one && key.signs === own),
              ),
              { about: tonic },
            ),
    }));
  },
  'chord-tones': (ground) => {
    const { ways, words, key } = on(ground);
    return chordsIn(key).flatMap((chord) => {
      const own = ways.filter(({ pitch }) => chord.tones.includes(aboveHome(key, pitch)));
      const prompt = `Show a note of ${chordSymbol(chord, key.tonic)}.`;
      return own.length > 0 && own.length < ways.length
        ? [placed(prompt, own, { words, about: chord.name })]
        : [];
    });
  },
  'leave-out': ({ key }) =>
    chordsIn(key).flatMap((chord): Subject[] => {
      const notes = notesOver(key.scale, chord);
      const rubs = notes
        .filter(({ fit }) => fit === 'clash')
        .map(({ semitone }) => CHROMATIC_DEGREE_NAMES[semitone]!);
      const good = notes
        .filter(({ fit }) => fit !== 'clash')
        .map(({ semitone }) => CHROMATIC_DEGREE_NAMES[semitone]!);
      if (rubs.length === 0 || good.length < 2) return [];
      const prompt = `Over ${chordSymbol(chord, key.tonic)}, what rubs when it is held?`;
      return [
        {
          about: chord.name,
          ask: (random) => ({
            ...chosen(random, prompt, random.of(rubs), good, { about: chord.name }),
            answer: rubs.join(' or '),
            degrees: true,
          }),
        },
      ];
    }),
  'ear-degree': (ground) => {
    const { key, hz, names, low } = ear(ground);
    return key.scale.semitones.map((semitone): Subject => ({
      about: CHROMATIC_DEGREE_NAMES[semitone]!,
      ask: (random) => ({
        ...chosen(random, 'Home, then which degree?', CHROMATIC_DEGREE_NAMES[semitone]!, names, {
          about: CHROMATIC_DEGREE_NAMES[semitone]!,
        }),
        heard: heardEvenly(hz(low), hz(low + semitone)),
        degrees: true,
      }),
    }));
  },
  'ear-interval': (ground) => {
    const { key, hz, low } = ear(ground);
    const steps = [
      ...new Set(key.scale.semitones.flatMap((a) => key.scale.semitones.map((b) => pitchClass(b - a)))),
    ]
      .filter((step) => step > 0)
      .sort((a, b) => a - b);
    return steps.map((step): Subject => {
      const starts = key.scale.semitones.filter((a) => key.scale.semitones.includes(pitchClass(a + step)));
      return {
        about: INTERVALS[step]!,
        ask: (random) => {
          const from = low + random.of(starts);
          return {
            ...chosen(
              random,
              'How far apart?',
              INTERVALS[step]!,
              steps.map((one) => INTERVALS[one]!),
              { about: INTERVALS[step]! },
            ),
            heard: heardEvenly(hz(from), hz(from + step)),
          };
        },
      };
    });
  },
  'ear-way': (ground) => {
    const { ways, words, home } = on(ground);
    const { hz } = ear(ground);
    const lowest = Math.min(
      ...ways.filter(({ pitch }) => aboveHome(ground.key, pitch) === 0).map(({ pitch }) => pitch),
    );
    if (!Number.isFinite(lowest)) return [];
    return byPitch(ways).map(([pitch, own]): Subject => {
      const subject = placed(`After ${home}: where is the second note?`, own, { words });
      return {
        ...subject,
        ask: (random) => ({ ...subject.ask(random), heard: heardEvenly(hz(lowest), hz(pitch)) }),
      };
    });
  },
  'ear-tune': ({ instrument, key, tunes = [] }) => {
    const { name } = on({ instrument, key });
    const words = (way: Way) =>
      instrument.tab(way, instrument.family.dialects[0]!.id, name.spelled(way.pitch));
    const ways = usableWays(instrument).filter(({ redundantTo }) => redundantTo === undefined);
    return tunes.flatMap((tune) =>
      breaksOf(tuneIn(tune, key, ways), ways).map(({ before, own, place }): Subject => {
        const about = `${tune.name.slice(0, 60)} ${place}`;
        const named = new Map(own.map((way) => [way.id, words(way)]));
        const { ask } = placed(`“${tune.name}”: which note comes next?`, own, { words: named, about });
        const heard = before.map(({ pitch, beats }) => ({
          hz: frequency(pitch, instrument.spec.a4),
          beats,
        }));
        return { about, ask: (random) => ({ ...ask(random), heard }) };
      }),
    );
  },
};

const INTERVALS: readonly string[] = Object.freeze([
  'unison',
  ...['minor second', 'major second', 'minor third', 'major third', 'fourth', 'tritone'],
  ...['fifth', 'minor sixth', 'major sixth', 'minor seventh', 'major seventh'],
]);

/** The easiest ways of the scale, since what is asked is where notes lie, not what can be forced. */
function on({ instrument, key }: DrillGround) {
  const name = namer(key);
  const redundant = usableWays(instrument).filter(({ redundantTo }) => redundantTo === undefined);
  const ways = redundant.filter(({ pitch }) => key.scale.semitones.includes(aboveHome(key, pitch)));
  const words = new Map(
    ways.map((way) => [
      way.id,
      instrument.tab(way, instrument.family.dialects[0]!.id, name.spelled(way.pitch)),
    ]),
  );
  return {
    key,
    ways,
    name,
    words,
    home: noteText(key.tonic),
    degreeOf: (pitch: Pitch) => CHROMATIC_DEGREE_NAMES[aboveHome(key, pitch)]!,
  };
}

function ear({ instrument, key }: DrillGround) {
  return {
    key,
    /** Home in the octave round middle C, where every ear hears well. */
    low: 60 + notePitchClass(key.tonic),
    hz: (pitch: Pitch) => frequency(pitch, instrument.spec.a4),
    names: key.scale.semitones.map((semitone) => CHROMATIC_DEGREE_NAMES[semitone]!),
  };
}

function chordsIn(key: Key): readonly Chord[] {
  return triadsOf(key.scale);
}

function byPitch(
  ways: readonly Pick<Way, 'id' | 'pitch'>[],
): readonly (readonly [Pitch, readonly Pick<Way, 'id'>[]])[] {
  const of = new Map<Pitch, Pick<Way, 'id'>[]>();
  for (const way of ways) of.set(way.pitch, [...(of.get(way.pitch) ?? []), way]);
  return [...of];
}
