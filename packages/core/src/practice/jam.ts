import { defaultPreferences } from '../route/preferences.ts';
import * as v from 'valibot';
import type { Way } from '../families/way.ts';
import { tonesOf, type Chord } from '../harmony/chord.ts';
import type { Instrument } from '../instrument/instrument.ts';
import type { PitchClass } from '../pitch/pitch.ts';
import { routingContext, usableWays } from '../route/context.ts';
import { evenLine } from '../route/line.ts';
import { routeLine } from '../route/route.ts';
import { CHROMATIC_DEGREE_NAMES, degreeRead } from '../scale/degree.ts';
import { aboveHome, type Key } from '../scale/scale.ts';
import { fields, list, text, typedText, whole } from '../schema.ts';

/** A stage of playing over a progression: what is allowed, for so many rounds. */
export interface JamStage {
  readonly id: string;
  readonly label: string;
  /** What to do, in a sentence. */
  readonly about: string;
  readonly rounds: number;
}

/** A stage with what it allows on an instrument. */
export interface LaidStage extends JamStage {
  /** Ids of the ways that may be played now. */
  readonly allowed: readonly string[];
  /** Those of them that are to be resolved by a step at once, or held on purpose. */
  readonly outside: readonly string[];
}

export const ROUNDS_A_STAGE = 4;

export const OWN_STAGES_LIMIT = 12;

const OWN_STAGE = fields({
  id: text(40, 1),
  label: typedText('A name', 80, 1),
  /** Semitones above home, 0 to 11. */
  semitones: list(whole(0, 11), 12, 1),
});

/** Stages of somebody's own, each with an id of its own. */
export const OWN_STAGES = v.pipe(
  list(OWN_STAGE, OWN_STAGES_LIMIT),
  v.check(
    (stages) => new Set(stages.map((stage) => stage.id)).size === stages.length,
    'Two stages bear the same id.',
  ),
);

/** A stage that somebody made: the notes it allows, whatever their way. */
export interface OwnStage extends v.InferOutput<typeof OWN_STAGE> {}

/** Degrees as they are typed, `1 b3 5`, as semitones above home; undefined where one of them is none. */
export function degreesRead(text: string): readonly number[] | undefined {
  const words = text.split(/[\s,]+/u).filter((word) => word !== '');
  const read = words.map(degreeRead);
  if (words.length === 0 || read.includes(undefined)) return undefined;
  return [...new Set(read as number[])].sort((a, b) => a - b);
}

/** What somebody's own stages allow on an instrument; those of which nothing can be had are left out. */
export function ownStages(instrument: Instrument, key: Key, own: readonly OwnStage[]): readonly LaidStage[] {
  const all = usableWays(instrument).filter(({ redundantTo }) => redundantTo === undefined);
  return own.flatMap(({ id, label, semitones }): LaidStage[] => {
    const allowed = all.filter((way) => semitones.includes(aboveHome(key, way.pitch))).map((way) => way.id);
    const about = `Only ${semitones.map((step) => CHROMATIC_DEGREE_NAMES[step]!).join(' ')}.`;
    return allowed.length === 0 ? [] : [{ id, label, about, rounds: ROUNDS_A_STAGE, allowed, outside: [] }];
  });
}

/** Stages with as many rounds as somebody wants; those with none are left out, but never all of them. */
export function withRounds(
  stages: readonly LaidStage[],
  rounds: Readonly<Record<string, number>> = {},
): readonly LaidStage[] {
  const wanted = stages.map((stage) => ({ ...stage, rounds: rounds[stage.id] ?? stage.rounds }));
  const kept = wanted.filter((stage) => stage.rounds > 0);
  return kept.length > 0 ? kept : stages;
}

/**
 * The stages of a family from what its ways are: one air and then the other, both, what is harder, one outside note
 * quickly resolved, the same one held. Families without air begin with home, the first chord and five notes. What is in one
 * of the chords belongs to all of them, in the scale or not: 3 and 6 under a blues. Source: a teacher's way of letting a
 * pupil play over a blues from the first lesson on.
 */
export function jamStages(
  instrument: Instrument,
  key: Key,
  { chords, five }: { readonly chords: readonly Chord[]; readonly five: readonly PitchClass[] },
): readonly LaidStage[] {
  const { family } = instrument;
  const all = usableWays(instrument).filter(({ redundantTo }) => redundantTo === undefined);
  const plain = family.techniques[0]?.id;
  const above = (way: Way) => aboveHome(key, way.pitch);
  const inside = new Set([...key.scale.semitones, ...tonesOf(chords)]);
  const fitting = all.filter((way) => inside.has(above(way)));
  const easy = fitting.filter(({ technique }) => technique === plain);
  const first = new Set(chords[0]?.tones);
  const outside = outsideNote(instrument, all, key, inside);
  const withOutside = { allowed: [...fitting, ...outside], outside };
  const firstOnes = family.air
    ? airStages(family, easy)
    : [
        {
          id: 'chord',
          label: 'the first chord’s tones',
          about: 'Only what is in the chord that it begins with.',
          allowed: easy.filter((way) => first.has(above(way))),
        },
        {
          id: 'five',
          label: 'five notes',
          about: 'Five notes that hardly rub.',
          allowed: easy.filter((way) => five.includes(above(way))),
        },
      ];
  const harder = harderWords(family.techniques.map(({ label }) => label));
  return laidOut([
    {
      id: 'home',
      label: 'home alone',
      about: 'Only the home note: make a rhythm of it.',
      allowed: easy.filter((way) => above(way) === 0),
    },
    ...firstOnes,
    {
      id: 'both',
      label: family.air ? 'both ways of air' : 'the whole scale',
      about: 'All that is easy to have.',
      allowed: easy,
    },
    { id: 'harder', label: 'with what is harder', about: harder, allowed: fitting },
    {
      id: 'touched',
      label: 'one outside note, resolved',
      about: 'Touch it and step into the scale at once.',
      ...withOutside,
    },
    {
      id: 'held',
      label: 'the same, held',
      about: 'Hold it on purpose, and hear when it grates.',
      ...withOutside,
    },
  ]);
}

/** A stage before it is known whether it says anything new. */
interface StageDraft extends Pick<LaidStage, 'id' | 'label' | 'about'> {
  readonly allowed: readonly Way[];
  /** Ways beside the scale; left out of a stage that has none to do with. */
  readonly outside?: readonly Way[];
}

/** Stages without those that allow nothing, or the same as one before, or that lack their outside note. */
function laidOut(drafts: readonly StageDraft[]): readonly LaidStage[] {
  const idsOf = (ways: readonly Way[]) => ways.map(({ id }) => id);
  const seen = new Set<string>();
  return drafts.flatMap(({ allowed, outside, ...words }): LaidStage[] => {
    const ids = idsOf(allowed);
    const known = seen.has(ids.join());
    seen.add(ids.join());
    if (ids.length === 0 || (outside ? outside.length === 0 : known)) return [];
    return [{ ...words, rounds: ROUNDS_A_STAGE, allowed: ids, outside: idsOf(outside ?? []) }];
  });
}

/** One stage for each air, breathing in before breathing out. */
function airStages({ sides }: Instrument['family'], easy: readonly Way[]): readonly StageDraft[] {
  const airs = [...new Set(easy.flatMap(({ air }) => air ?? []))];
  return airs
    .sort((a, b) => Number(a === 'out') - Number(b === 'out'))
    .map((air) => {
      const words = air === 'out' ? sides.above : sides.below;
      return {
        id: `air-${air}`,
        label: `${words} only`,
        about: `Every note with the same air: ${words}.`,
        allowed: easy.filter((way) => way.air === air),
      };
    });
}

/** Notes beside the scale, the one that is wanted most first where two are as easy. */
const OUTSIDE = Object.freeze([10, 3, 6, 4, 11, 1, 8]);

/**
 * The ways of one note beside scale and chords: of the third of the other kind, the tritone, the flat seventh and their
 * like the easiest to have. What must be set first, as a lever, cannot be stepped out of at once.
 */
function outsideNote(
  instrument: Instrument,
  all: readonly Way[],
  key: Key,
  inside: ReadonlySet<PitchClass>,
): readonly Way[] {
  const { family } = instrument;
  const safe = new Set<string>(family.techniques.filter((one) => one.safe).map(({ id }) => id));
  const ready = family.setting === undefined ? all : all.filter(({ technique }) => safe.has(technique));
  const context = routingContext(instrument, defaultPreferences(family));
  const effortOf = ({ pitch }: Way) => routeLine(context, evenLine([pitch])).effort.total;
  const choices = OUTSIDE.filter((semitone) => !inside.has(semitone)).flatMap((semitone) => {
    const ways = ready.filter((way) => aboveHome(key, way.pitch) === semitone);
    return ways.length === 0 ? [] : [{ ways, effort: Math.min(...ways.map(effortOf)) }];
  });
  const least = Math.min(...choices.map(({ effort }) => effort));
  return choices.find(({ effort }) => effort === least)?.ways ?? [];
}

function harderWords([, ...harder]: readonly string[]): string {
  return harder.length === 0
    ? 'All notes of the scale.'
    : `All notes of the scale, ${harder.slice(0, 3).join(', ')} too.`;
}
