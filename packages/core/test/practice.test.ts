/** Practice on all families: drills are checked against facts of core, stages and calls against their notes. */
import { families, FAMILY_IDS, type FamilyId } from '../src/families/index.ts';
import { fiveOf } from '../src/harmony/layer.ts';
import { parseProgression } from '../src/harmony/progression.ts';
import { songOf } from './samples/song.ts';
import { defaultQuestion } from '../src/question/question.ts';
import { openInstrument, specFromPreset } from '../src/instrument/instrument.ts';
import { parseNote } from '../src/pitch/noteName.ts';
import { pitchClass } from '../src/pitch/pitch.ts';
import { drillById, drillFits, drillRound, DRILLS, ROUND } from '../src/practice/drill.ts';
import { checkPractised } from '../src/practice/item.ts';
import { degreesRead, jamStages, ownStages, withRounds, type LaidStage } from '../src/practice/jam.ts';
import { tuneOf, type Tune } from '../src/practice/tune.ts';
import { callPhrase, DIFFICULTIES } from '../src/practice/phrase.ts';
import { expectOk } from '../src/result.ts';
import { aboveHome, keyOf, scaleById } from '../src/scale/scale.ts';

const major = (tonic: string) => keyOf(expectOk(scaleById('major')), expectOk(parseNote(tonic)));
const openedAs = (id: FamilyId, preset: string) => expectOk(openInstrument(specFromPreset(id, preset)));
const opened = (id: FamilyId) => openedAs(id, families[id].presets[0]!.id);
/** Semitones of the degrees of major and of the notes by name, written out by hand. */
const DEGREES: Readonly<Record<string, number>> = { 1: 0, 2: 2, 3: 4, 4: 5, 5: 7, 6: 9, 7: 11 };
const NOTES: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** A made-up tune in G: its degrees 5 5 6 5 3 1 2 3 in the octave above G4. */
const TUNE: Tune = {
  name: 'Mill lane',
  home: 7,
  notes: [74, 74, 76, 74, 71, 67, 69, 71].map((pitch, i) => ({ pitch, beats: i % 2 === 0 ? 1 : 0.5 })),
};

describe.each(FAMILY_IDS)('%s', (id) => {
  const instrument = opened(id);
  const key = major('C');
  const ground = { instrument, key, tunes: [TUNE] };
  const pitchOf = new Map(instrument.ways.map((way) => [way.id, way.pitch]));

  test.each(DRILLS.map((drill) => [drill.id, drill] as const))(
    '%s asks what can be answered, and what is right is right',
    (_, drill) => {
      if (!drillFits(drill, ground)) {
        expect(() => drillRound(drill, ground, 1)).toThrow('does not fit');
        return;
      }
      const round = drillRound(drill, ground, 7);
      expect(round).toHaveLength(ROUND);
      expect(drillRound(drill, ground, 7)).toEqual(round);
      round.forEach((question, i) => {
        expect(question.right.length).toBeGreaterThan(0);
        if (i > 0) expect(question.about).not.toBe(round[i - 1]!.about);
        if (question.choices.length > 0) {
          const labels = question.choices.map(({ label }) => label);
          expect(new Set(labels).size).toBe(labels.length);
          expect(question.choices.filter((choice) => question.right.includes(choice.id))).toHaveLength(1);
        } else for (const way of question.right) expect(pitchOf.has(way)).toBe(true);
      });
    },
  );

  test('notes, degrees and chords of the key lie where they are said to lie', () => {
    const asked = (drill: 'note-way' | 'degree-way' | 'way-note' | 'chord-tones' | 'ear-way') =>
      drillFits(drillById(drill)!, ground) ? drillRound(drillById(drill)!, ground, 3, 40) : [];
    for (const { prompt, right } of asked('note-way')) {
      const [, letter, octave] = /^Where is ([A-G])(-?\d)\?$/.exec(prompt)!;
      for (const way of right) expect(pitchOf.get(way)).toBe(12 * (Number(octave) + 1) + NOTES[letter!]!);
    }
    for (const { prompt, right } of asked('degree-way')) {
      const [, degree] = /^Where is degree (\d) of C\?$/.exec(prompt)!;
      for (const way of right) expect(pitchClass(pitchOf.get(way)!)).toBe(DEGREES[degree!]);
    }
    for (const { shown, right } of asked('way-note'))
      expect(pitchClass(pitchOf.get(shown!)!)).toBe(NOTES[right[0]!]);
    const triads: Readonly<Record<string, readonly number[]>> = {
      C: [0, 4, 7],
      Dm: [2, 5, 9],
      Em: [4, 7, 11],
      F: [5, 9, 0],
      G: [7, 11, 2],
      Am: [9, 0, 4],
      'B°': [11, 2, 5],
    };
    for (const { prompt, right } of asked('chord-tones')) {
      const [, chord] = /^Show a note of (.+)\.$/.exec(prompt)!;
      for (const way of right) expect(triads[chord!]).toContain(pitchClass(pitchOf.get(way)!));
    }
    for (const { heard, right } of asked('ear-way')) {
      const semitones = Math.round(12 * Math.log2(heard[1]!.hz / instrument.spec.a4)) + 69;
      for (const way of right) expect(pitchOf.get(way)).toBe(semitones);
    }
  });

  test('a tune breaks off and its next note is right, in the key of the drill', () => {
    if (!drillFits(drillById('ear-tune')!, ground)) return;
    // Against C: 5 5 6 5 3 1 2 3.
    const degrees = [7, 7, 9, 7, 4, 0, 2, 4];
    for (const { heard, right, prompt } of drillRound(drillById('ear-tune')!, ground, 5, 12)) {
      expect(prompt).toContain('Mill lane');
      const steps = heard.map(({ hz }) => Math.round(12 * Math.log2(hz / instrument.spec.a4)) + 69);
      expect(steps.map(pitchClass)).toEqual(degrees.slice(0, heard.length));
      expect(heard.map(({ beats }) => beats)).toEqual(
        TUNE.notes.slice(0, heard.length).map(({ beats }) => beats),
      );
      for (const way of right) {
        expect(pitchClass(pitchOf.get(way)!)).toBe(degrees[heard.length]);
        // As far from the note before it as in the tune.
        const [before, next] = [TUNE.notes[heard.length - 1]!, TUNE.notes[heard.length]!];
        expect(pitchOf.get(way)! - steps.at(-1)!).toBe(next.pitch - before.pitch);
      }
    }
  });

  test('a stage of one’s own allows its notes and no others', () => {
    const own = [{ id: 'a', label: 'mine', semitones: degreesRead('1 5, b3')! }];
    expect(own[0]!.semitones).toEqual([0, 3, 7]);
    const [stage] = ownStages(instrument, key, own);
    const all = instrument.ways.filter(({ redundantTo }) => redundantTo === undefined);
    expect(new Set(stage?.allowed.map((way) => pitchClass(pitchOf.get(way)!)))).toEqual(
      new Set(all.map(({ pitch }) => pitchClass(pitch)).filter((pc) => [0, 3, 7].includes(pc))),
    );
  });

  test('stages allow more and more, the last ones an outside note', () => {
    const chords = expectOk(parseProgression('', '1 4 5 1', 4)).bars.flat();
    const stages = jamStages(instrument, key, { chords, five: fiveOf(key.scale) });
    expect(stages.length).toBeGreaterThan(0);
    expect(new Set(stages.map((stage) => stage.id)).size).toBe(stages.length);
    const inside = new Set([...key.scale.semitones, ...chords.flatMap(({ tones }) => tones)]);
    const degrees = (ways: readonly string[]) =>
      new Set(ways.map((way) => aboveHome(key, pitchOf.get(way)!)));
    for (const stage of stages) {
      const outside = new Set(stage.outside);
      for (const way of stage.allowed)
        expect(inside.has(aboveHome(key, pitchOf.get(way)!))).toBe(!outside.has(way));
    }
    const home = stages.find((stage) => stage.id === 'home');
    if (home) expect([...degrees(home.allowed)]).toEqual([0]);
    const [touched, held] = ['touched', 'held'].map((one) => stages.find((stage) => stage.id === one));
    expect(touched?.allowed).toEqual(held?.allowed);
    if (touched) expect(degrees(touched.outside).size).toBe(1);
  });
});

test('on a harmonica a pupil plays blow only, draw only, both, then bends and an outside note', () => {
  const instrument = opened('diatonic');
  const home = instrument.ways.find((way) => way.id === '1b')!.pitch;
  const tonic = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'][pitchClass(home)]!;
  const key = major(tonic);
  const stages = jamStages(instrument, key, { chords: [], five: fiveOf(key.scale) });
  expect(stages.map(({ id }) => id)).toEqual([
    'home',
    'air-in',
    'air-out',
    'both',
    'harder',
    'touched',
    'held',
  ]);
  const air = (stage: string) =>
    new Set(
      stages
        .find(({ id }) => id === stage)!
        .allowed.map((id) => instrument.ways.find((way) => way.id === id)!.air),
    );
  expect([...air('air-in')]).toEqual(['in']);
  expect([...air('air-out')]).toEqual(['out']);
});

describe('over a blues, by hand', () => {
  const stagesOf = (family: FamilyId, preset: string, tonic: string, scale: string, text: string) => {
    const key = keyOf(expectOk(scaleById(scale)), expectOk(parseNote(tonic)));
    const chords = expectOk(parseProgression('', text, 4)).bars.flat();
    return jamStages(openedAs(family, preset).forKey(key), key, { chords, five: fiveOf(key.scale) });
  };
  const allowed = (stages: readonly LaidStage[], id: string) =>
    [...(stages.find((stage) => stage.id === id)?.allowed ?? [])].sort();
  const holes = (air: string) => Array.from({ length: 10 }, (_, i) => `${i + 1}${air}`).sort();

  test('cross harp has every hole of each air, thirds and sixths of the chords too', () => {
    const stages = stagesOf('diatonic', '60', 'G', 'blues-six', '17 47 57');
    expect(allowed(stages, 'home')).toEqual(['2d', '3b', '6b', '9b']);
    expect(allowed(stages, 'air-in')).toEqual(holes('d'));
    expect(allowed(stages, 'air-out')).toEqual(holes('b'));
  });

  test.each([
    // B♭ by 3 draw bent one, and not E♭ by 8 blow.
    ['diatonic', '60', 'C', 10],
    // C♮ by a cross-fingering, and not F by half a hole.
    ['whistle', '74', 'D', 10],
    // C♮ at melody 6, and not G♯ beside middle 6½.
    ['dulcimer', 'd3-a3-d4', 'D', 10],
  ] as const)('the outside note of %s %s in %s is the easiest', (family, preset, tonic, semitone) => {
    const stages = stagesOf(family, preset, tonic, 'major', '1 4 5 1');
    const { outside } = stages.find(({ id }) => id === 'touched')!;
    const pitches = openedAs(family, preset).ways.filter(({ id }) => outside.includes(id));
    expect(new Set(pitches.map(({ pitch }) => aboveHome(major(tonic), pitch)))).toEqual(new Set([semitone]));
  });

  test('a harp, whose outside note needs a lever, has no such stage', () => {
    const ids = stagesOf('harp', 'c-34', 'G', 'major', '1 4 5 1').map(({ id }) => id);
    expect(ids).not.toContain('touched');
    expect(ids).not.toContain('held');
  });

  test('the first chord has its own tones alone: D F♯ A of a dulcimer in D', () => {
    const instrument = openedAs('dulcimer', 'd3-a3-d4');
    const ids = allowed(stagesOf('dulcimer', 'd3-a3-d4', 'D', 'major', '1 4 5 1'), 'chord');
    const classes = instrument.ways.filter(({ id }) => ids.includes(id)).map(({ pitch }) => pitch % 12);
    expect(new Set(classes)).toEqual(new Set([2, 6, 9]));
  });
});

test('what was missed is asked more often', () => {
  const instrument = opened('diatonic');
  const ground = { instrument, key: major('C'), weight: (about: string) => (about === '4b' ? 5 : 1) };
  const of = (round: ReturnType<typeof drillRound>) => round.filter(({ about }) => about === '4b').length;
  const even = of(drillRound(drillById('way-note')!, { ...ground, weight: () => 1 }, 1, 2000));
  const weighted = of(drillRound(drillById('way-note')!, ground, 1, 2000));
  expect(weighted / even).toBeGreaterThan(3);
  expect(weighted / even).toBeLessThan(5.5);
});

describe.each(DIFFICULTIES.map(({ id }) => [id] as const))('a call that is %s', (difficulty) => {
  /** By hand: most steps from note to note and between the outer notes, and most semitones. */
  const [leap, span, compass] = { easy: [1, 5, 9], middle: [3, 7, 12], hard: [6, 9, 16] }[difficulty] as [
    number,
    number,
    number,
  ];
  // Two octaves of C major pentatonic, a chromatic harmonica's C major over three, and home alone.
  const CASES = [
    { pitches: [60, 62, 64, 67, 69, 72, 74, 76, 79, 81, 84], homes: [60, 72, 84] },
    {
      pitches: [0, 1, 2].flatMap((o) => [60, 62, 64, 65, 67, 69, 71].map((p) => p + 12 * o)),
      homes: [60, 72, 84],
    },
    { pitches: [55, 67, 79], homes: [55, 67, 79] },
  ];
  const SEEDS = Array.from({ length: 300 }, (_, seed) => seed + 1);

  /** What nobody could answer in a phrase, in words. */
  function faults(
    phrase: ReturnType<typeof callPhrase>,
    pitches: readonly number[],
    homes: readonly number[],
  ) {
    const found: string[] = [];
    const need = (holds: boolean, what: string) => {
      if (!holds) found.push(`${what}: ${JSON.stringify(phrase)}`);
    };
    const heights = phrase.map(({ pitch }) => pitch);
    const places = heights.map((pitch) => pitches.indexOf(pitch));
    need(!places.includes(-1), 'a note that is not there');
    need(Math.max(...places) - Math.min(...places) <= span, 'too many steps in all');
    need(Math.max(...heights) - Math.min(...heights) <= compass, 'too wide');
    for (let i = 1; i < phrase.length; i += 1) {
      const [from, to] = [phrase[i - 1]!, phrase[i]!];
      need(from.start + from.beats <= to.start + 1e-9, 'two at once');
      need(Math.abs(places[i]! - places[i - 1]!) <= leap, 'a leap');
      if (Math.min(from.beats, to.beats) <= 0.25) need(Math.abs(to.pitch - from.pitch) <= 9, 'a quick leap');
    }
    const [before, last] = [heights.at(-2)!, heights.at(-1)!];
    need(homes.includes(last), 'no home at the end');
    const nearest = Math.min(...homes.map((home) => Math.abs(home - before)));
    need(Math.abs(last - before) === nearest || last - before === -7, 'not the home that is nearest');
    need(Math.abs(last - before) <= 5 || last - before === -7, 'a leap to the end');
    return found;
  }

  test.each(CASES)('can be answered by ear, whatever the notes', ({ pitches, homes }) => {
    for (const seed of SEEDS)
      for (const beats of [2, 3, 4]) {
        const phrase = callPhrase(pitches, homes, { difficulty, beats, seed });
        expect(faults(phrase, pitches, homes)).toEqual([]);
        expect(phrase.at(-1)).toMatchObject({ start: 2 * beats - 1, beats: 1 });
      }
    const again = { difficulty, beats: 4, seed: 9 };
    expect(callPhrase(pitches, homes, again)).toEqual(callPhrase(pitches, homes, again));
  });

  test('its second bar takes up the rhythm of the first, and its bars begin on tones of home', () => {
    const [{ pitches, homes }] = [CASES[1]!];
    for (const seed of SEEDS) {
      const phrase = callPhrase(pitches, homes, { difficulty, beats: 4, seed });
      const starts = (bar: number) =>
        phrase.map(({ start }) => start - 4 * bar).filter((start) => start >= 0 && start < 3);
      expect(starts(1)).toEqual(starts(0));
      const strong = phrase.filter(({ start }) => start === 0 || start === 4);
      // C, E or G, wherever one of them can be reached.
      if (difficulty !== 'easy') for (const { pitch } of strong) expect([0, 4, 7]).toContain(pitch % 12);
    }
  });

  test('needs notes', () => {
    expect(() => callPhrase([], [], { difficulty, beats: 4, seed: 1 })).toThrow('no notes');
  });
});

test('different seeds give different calls', () => {
  const calls = Array.from({ length: 20 }, (_, seed) =>
    JSON.stringify(callPhrase([60, 62, 64, 65, 67], [60], { difficulty: 'middle', beats: 4, seed })),
  );
  expect(new Set(calls).size).toBeGreaterThan(15);
});

test('a stage with no rounds is left out, others have as many as are wanted, and one always stays', () => {
  const key = major('C');
  const stages = jamStages(opened('harp'), key, { chords: [], five: fiveOf(key.scale) });
  const [first, second] = stages;
  const some = withRounds(stages, { [first!.id]: 0, [second!.id]: 9 });
  expect(some.map(({ id }) => id)).toEqual(stages.slice(1).map(({ id }) => id));
  expect(some[0]!.rounds).toBe(9);
  const none = Object.fromEntries(stages.map(({ id }) => [id, 0]));
  expect(withRounds(stages, none)).toEqual(stages);
});

test('stages of one’s own are kept with a progression, and what is no stage is refused', () => {
  const base = { kind: 'jam', text: '1 4 5 1', beats: 4, question: defaultQuestion(families.harp) };
  const stage = { id: 'a', label: 'mine', semitones: [0, 4] };
  expect(expectOk(checkPractised(families.harp, { ...base, own: [stage] }))).toMatchObject({ own: [stage] });
  const wrong = [
    [stage, stage],
    [{ ...stage, semitones: [] }],
    [{ ...stage, semitones: [12] }],
    [{ ...stage, label: ' ' }],
    'mine',
  ];
  for (const own of wrong)
    expect(checkPractised(families.harp, { ...base, own })).toMatchObject({
      ok: false,
      problems: [{ field: expect.stringMatching(/^own/) }],
    });
  expect(degreesRead('1 8')).toBeUndefined();
  expect(degreesRead(' ')).toBeUndefined();
});

test('a tune is the top of what begins together, each note as long as until the next; a short one is not known', () => {
  const tune = tuneOf(songOf('C4+G4 C5*2 D5 | E5*2 C5 G4'))!;
  expect(tune.home).toBe(0);
  expect(tune.notes.map(({ pitch }) => pitch)).toEqual([67, 72, 74, 76, 72, 67]);
  expect(tune.notes.map(({ beats }) => beats)).toEqual([1, 2, 1, 2, 1, 1]);
  expect(tuneOf(songOf('G4 C5*2 D5'))).toBeUndefined();
});
