import { pitchClass } from '../../pitch/pitch.ts';
import { ownNamer } from '../../scale/namer.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import type { Technique, Way } from '../way.ts';
import type { Fingering } from './tables.ts';
import { MAKER_DEPENDENT, STRAINED } from './tables.ts';
import { semitonesOf, SOUNDS, type Register, type Sound, type WhistleLayout } from './layout.ts';

export const techniques = Object.freeze([
  { id: 'plain', label: 'plain fingerings', needs: 'a plain fingering', safe: true },
  { id: 'upper', label: 'notes of the upper register', needs: 'the upper register', safe: true },
  { id: 'cross', label: 'cross-fingerings', needs: 'a cross-fingering', safe: true },
  { id: 'half', label: 'half-holes', needs: 'a half-hole', safe: false, glides: true },
  {
    id: 'strained',
    label: 'strained high notes',
    needs: 'strained air',
    safe: false,
    caution:
      'The highest notes take hard breathing: stop at once when you feel dizzy, and mind the ears beside you.',
  },
] as const satisfies readonly Technique[]);
export type TechniqueId = (typeof techniques)[number]['id'];

export interface WhistleWay extends Way {
  readonly technique: TechniqueId;
  readonly fingering: Fingering;
  readonly register: Register;
}

function techniqueOf({ fingering, register }: Sound, semitones: number): TechniqueId {
  if (register === 'high' || semitones >= STRAINED) return 'strained';
  if (fingering.kind !== 'plain') return fingering.kind;
  return register === 'upper' ? 'upper' : 'plain';
}

const REGISTER_WORDS: Readonly<Record<Register, string>> = Object.freeze({
  low: '',
  upper: ', overblown',
  high: ', blown hardest',
});

/** What the fingers do, in words: `holes 1 2 3 covered, 4 half`. */
function wordsFor({ fingering, register }: Sound): string {
  const at = (mark: string) =>
    [...fingering.pattern].flatMap((m, i) => (m === mark ? [String(i + 1)] : [])).join(' ');
  const covered = at('x');
  const half = at('h');
  const parts = [covered ? `${covered} covered` : 'all open', ...(half ? [`${half} half`] : [])];
  const words = covered === '1 2 3 4 5 6' ? 'all covered' : parts.join(', ');
  return words + REGISTER_WORDS[register];
}

/** Every fingering that speaks, in every register below the player's ceiling and above it (not able). */
export function ways(layout: WhistleLayout, can: Can): readonly WhistleWay[] {
  return SOUNDS.filter((sound) => !layout.mute.includes(sound.id)).map((sound): WhistleWay => {
    const semitones = semitonesOf(layout, sound);
    const technique = techniqueOf(sound, semitones);
    const place = placeOf(sound);
    const { kind } = sound.fingering;
    return {
      id: sound.id,
      pitch: layout.lowest + semitones,
      technique,
      place,
      air: undefined,
      words: wordsFor(sound),
      able: semitones <= layout.ceiling && (kind === 'plain' || can(kind, place)),
      ...(semitones > layout.ceiling ? { needs: aboveCeiling(layout) } : {}),
      redundantTo: undefined,
      fingering: sound.fingering,
      register: sound.register,
    };
  });
}

function aboveCeiling({ lowest, ceiling }: WhistleLayout): string {
  const highest = ownNamer(pitchClass(lowest)).withOctave(lowest + ceiling);
  return `the highest note played, now ${highest}, to be set higher in the cabinet`;
}

/** Half-holes are named by the hole, all else by what is covered. */
function placeOf({ fingering }: Sound): string {
  return fingering.kind === 'half' ? `hole ${fingering.pattern.indexOf('h') + 1}` : fingering.pattern;
}

export function capabilityGroups(layout: WhistleLayout): readonly GroupOfPlaces[] {
  const speaking = SOUNDS.filter((sound) => !layout.mute.includes(sound.id));
  const places = (kind: Fingering['kind']) => [
    ...new Set(speaking.filter((sound) => sound.fingering.kind === kind).map(placeOf)),
  ];
  return [
    {
      id: 'half',
      label: 'Half-holes',
      about: 'Holes that the player can cover by half.',
      places: places('half'),
    },
    {
      id: 'cross',
      label: 'Cross-fingerings',
      about:
        'Fingerings with covered holes below an open one. Those for the sixth and eighth semitone speak well on some makers’ whistles only: tick them when yours does.',
      places: places('cross'),
      byDefault: places('cross').filter((place) => !MAKER_DEPENDENT.includes(place)),
    },
  ];
}
