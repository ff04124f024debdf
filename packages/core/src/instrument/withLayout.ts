import type { OpenLayout } from '../families/contract.ts';
import type { Capability } from '../families/layoutPart.ts';
import type { Instrument, InstrumentSpec } from './instrument.ts';

/**
 * The same object with another layout of its family. What it can do goes along as far as its places are still there: who
 * ticked all has all. Of two chosen ways that would now sound one pitch the first stays chosen. A wrong layout is taken as
 * it is, to be told where it is checked.
 */
export function withLayout(instrument: Instrument, layout: unknown): InstrumentSpec {
  const { spec, family } = instrument;
  const opened = family.open(layout, {});
  if (!opened.ok) return { ...spec, layout };
  return {
    ...spec,
    layout,
    capability: capabilityOn(instrument, spec.capability, opened.value),
    choices: choicesOn(spec.choices, opened.value),
  };
}

function capabilityOn(before: OpenLayout, capability: Capability, after: OpenLayout): Capability {
  const carried = after.capabilityGroups.flatMap(({ id, places }): [string, readonly string[]][] => {
    const ticked = capability[id];
    if (!ticked) return [];
    const all = before.capabilityGroups.find((group) => group.id === id)?.places ?? [];
    const hadAll = all.length > 0 && all.every((place) => ticked.includes(place));
    return [[id, hadAll ? places : ticked.filter((place) => places.includes(place))]];
  });
  return Object.fromEntries(carried);
}

function choicesOn(choices: readonly string[], { ways }: OpenLayout): readonly string[] {
  const pitchOf = new Map(ways.map(({ id, pitch }) => [id, pitch]));
  const taken = new Set<number | undefined>([undefined]);
  return choices.filter((id) => {
    const pitch = pitchOf.get(id);
    const isFree = !taken.has(pitch);
    taken.add(pitch);
    return isFree;
  });
}
