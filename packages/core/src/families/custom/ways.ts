import { liesAt, technique, type SpotWay } from '../kernel/fixedPitches.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import { SURFACE, type CustomLayout } from './layout.ts';

export const techniques = technique('pitches');

export interface CustomWay extends SpotWay {
  readonly name: string;
}

/** Every pitch is one way: `p3`. */
export function ways({ spots }: CustomLayout, can: Can): readonly CustomWay[] {
  return spots.map(({ name, pitch, cents, x, y }, index) => ({
    id: `p${index + 1}`,
    pitch,
    cents,
    technique: 'spot',
    place: name,
    air: undefined,
    words: name,
    able: can('pitches', name),
    redundantTo: undefined,
    number: index + 1,
    name,
    x,
    y,
    lies: liesAt(x, SURFACE.width),
  }));
}

export function capabilityGroups({ spots }: CustomLayout): readonly GroupOfPlaces[] {
  const places = spots.map((spot) => spot.name);
  return [
    {
      id: 'pitches',
      label: 'Pitches that are used',
      about: 'Take out what a pupil shall leave alone.',
      places,
    },
  ];
}
