import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import { holesApart } from '../kernel/holes.ts';
import type { Clash, FingeredWay, Mark, Way } from '../way.ts';
import { bendRoom, dipAir, reedSounds, type ReedPair, type ReedSound } from '../kernel/reedPair.ts';
import { HOLES, reedPitch, type DiatonicLayout } from './layout.ts';
import type { TechniqueId } from './techniques.ts';

/** What a way is on this family: enough to draw it, judge it and write it as tab. */
export interface DiatonicWay extends Way {
  readonly technique: TechniqueId;
  readonly air: 'out' | 'in';
  readonly hole: number;
  readonly depth: number;
  readonly room: number;
}

export function pairAt(layout: DiatonicLayout, hole: number): ReedPair {
  return { blow: reedPitch(layout, 'blow', hole), draw: reedPitch(layout, 'draw', hole) };
}

const HOLE_NUMBERS: readonly number[] = Object.freeze(Array.from({ length: HOLES }, (_, i) => i + 1));

function techniqueOf(sound: ReedSound): TechniqueId {
  if (sound.kind === 'plain') return 'plain';
  if (sound.kind === 'over') return sound.air === 'out' ? 'overblow' : 'overdraw';
  if (sound.air === 'out') return 'blow-bend';
  // The first half tone of a hole that bends three is the everyday blue third of hole 3, not one hard to hold.
  if (sound.room === 1 || (sound.room > 2 && sound.depth === 1)) return 'shallow-bend';
  return sound.depth === sound.room ? 'deep-bend' : 'middle-bend';
}

function wordsFor(hole: number, sound: ReedSound): string {
  if (sound.kind === 'over') return `${hole} ${sound.air === 'out' ? 'overblow' : 'overdraw'}`;
  const plain = `${hole} ${sound.air === 'out' ? 'blow' : 'draw'}`;
  return sound.kind === 'bend' ? `${plain} bent ${sound.depth}` : plain;
}

/** `4d`, `3d2` (bent two), `6bo` (over-note). */
function idFor(hole: number, sound: ReedSound): string {
  const letter = sound.air === 'out' ? 'b' : 'd';
  return `${hole}${letter}${sound.kind === 'over' ? 'o' : sound.depth || ''}`;
}

/** The capability group a sound belongs to; plain notes belong to none. */
function groupOf(sound: ReedSound): string | undefined {
  if (sound.kind === 'plain') return undefined;
  if (sound.kind === 'over') return sound.air === 'out' ? 'overblow' : 'overdraw';
  return sound.air === 'out' ? 'blow-bend' : 'draw-bend';
}

/** Every way, holes from left to right; an over-note on a pitch that some other way gives is marked as its duplicate. */
export function ways(layout: DiatonicLayout, can: Can): readonly DiatonicWay[] {
  const all = HOLE_NUMBERS.flatMap((hole) =>
    reedSounds(pairAt(layout, hole)).map((sound): DiatonicWay => {
      const group = groupOf(sound);
      return {
        id: idFor(hole, sound),
        pitch: sound.pitch,
        technique: techniqueOf(sound),
        place: String(hole),
        air: sound.air,
        words: wordsFor(hole, sound),
        able: group === undefined || can(group, String(hole)),
        redundantTo: undefined,
        hole,
        depth: sound.depth,
        room: sound.room,
      };
    }),
  );
  const isOver = (way: DiatonicWay) => way.technique === 'overblow' || way.technique === 'overdraw';
  const easier = new Map<number, DiatonicWay>();
  for (const way of all) if (!isOver(way) && !easier.has(way.pitch)) easier.set(way.pitch, way);
  return all.map((way) => (isOver(way) ? { ...way, redundantTo: easier.get(way.pitch)?.id } : way));
}

/** Reeds that only dip: shown, never counted as a pitch. The depth of 40 cents is typical, not measured. */
export function marks(layout: DiatonicLayout): readonly Mark[] {
  return HOLE_NUMBERS.flatMap((hole) => {
    const pair = pairAt(layout, hole);
    const air = dipAir(pair);
    if (!air) return [];
    const plate = air === 'out' ? 'blow' : 'draw';
    return [
      {
        id: `dip-${hole}`,
        pitch: pair[plate],
        cents: -40,
        words: `${hole} ${plate} dips by less than a semitone`,
      },
    ];
  });
}

/** What depends on the instrument and its player. Out of the box: all bends, no over-notes. */
export function capabilityGroups(layout: DiatonicLayout): readonly GroupOfPlaces[] {
  const holesWhere = (test: (pair: ReedPair) => boolean) =>
    HOLE_NUMBERS.filter((hole) => test(pairAt(layout, hole))).map(String);
  const drawBends = holesWhere((p) => p.draw > p.blow && bendRoom(p) > 0);
  const blowBends = holesWhere((p) => p.blow > p.draw && bendRoom(p) > 0);
  return [
    {
      id: 'draw-bend',
      label: 'Draw bends',
      about: 'Holes whose draw note bends down.',
      places: drawBends,
    },
    {
      id: 'blow-bend',
      label: 'Blow bends',
      about: 'Holes whose blow note bends down.',
      places: blowBends,
    },
    {
      id: 'overblow',
      label: 'Overblows',
      about: 'Many instruments need their reeds set closer before these speak.',
      places: holesWhere((p) => p.draw > p.blow),
      byDefault: [],
    },
    {
      id: 'overdraw',
      label: 'Overdraws',
      about: 'Fewer instruments do these out of the box.',
      places: holesWhere((p) => p.blow > p.draw),
      byDefault: [],
    },
  ];
}

/** Plain notes of neighbouring holes sound together; a bend or an over-note takes the whole breath. */
export function clash(
  _layout: DiatonicLayout,
  low: FingeredWay<DiatonicWay>,
  high: FingeredWay<DiatonicWay>,
): Clash | undefined {
  const alone = [low, high].find(({ way }) => way.technique !== 'plain');
  if (alone) return { reason: 'technique', text: `${alone.way.words} sounds alone` };
  return holesApart(low, high);
}
