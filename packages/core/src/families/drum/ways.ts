import { liesAt, technique, type SpotWay } from '../kernel/fixedPitches.ts';
import type { Can, GroupOfPlaces } from '../layoutPart.ts';
import { DRUM, spots, type DrumLayout } from './layout.ts';

export const techniques = technique('tongues');

/** Every tongue is one way, numbered as the drum is: `t3`. */
export function ways(layout: DrumLayout, can: Can): readonly SpotWay[] {
  return spots(layout).map(({ pitch, cents, x, y }, index) => ({
    id: `t${index + 1}`,
    pitch,
    cents,
    technique: 'spot',
    place: String(index + 1),
    air: undefined,
    words: `tongue ${index + 1}`,
    able: can('tongues', String(index + 1)),
    redundantTo: undefined,
    number: index + 1,
    x,
    y,
    lies: liesAt(x, DRUM.width),
  }));
}

export function capabilityGroups({ tongues }: DrumLayout): readonly GroupOfPlaces[] {
  const places = tongues.map((_, index) => String(index + 1));
  return [
    {
      id: 'tongues',
      label: 'Tongues that are used',
      about: 'Take out tongues that a pupil shall leave alone.',
      places,
    },
  ];
}
