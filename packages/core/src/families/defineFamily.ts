import { ownNamer } from '../scale/namer.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Family, FamilyDefinition, OpenLayout } from './contract.ts';
import type { Capability } from './layoutPart.ts';
import { PERSONAL_PARTS } from './personal.ts';
import type { Play, Way } from './way.ts';

/** Closes a definition over its own types, so that the list of families needs no type of any one of them. */
export function defineFamily<Layout, W extends Way>(definition: FamilyDefinition<Layout, W>): Family {
  const parts = Object.freeze([...definition.parts, ...PERSONAL_PARTS]);
  const family: Family = Object.freeze({ ...definition, parts, open });
  return family;

  function open(stored: unknown, capability: Capability): Result<OpenLayout> {
    const checked = definition.check(stored);
    return checked.ok ? ok(opened(checked.value, capability)) : checked;
  }

  /** What setting a layout for a key leaves as it is. */
  function standing(layout: Layout) {
    return {
      home: definition.home(layout),
      description: definition.describe(layout),
      marks: definition.marks?.(layout) ?? [],
      drones: definition.drones?.(layout) ?? [],
      airCapacity: definition.airCapacity?.(layout),
      options: definition.options(layout),
      elements: definition.elements(layout),
      capabilityGroups: definition.capabilityGroups(layout),
      tuning: definition.tuning?.(layout),
    };
  }

  function opened(layout: Layout, capability: Capability, facts = standing(layout)): OpenLayout {
    const ways = definition.ways(layout, capability);
    /** Made when first asked for: of many settings only the costs that a setting changes are asked. */
    let byId: ReadonlyMap<string, W> | undefined;
    /** Layouts as they are set for keys, each opened once. */
    const settled = new Map<string, OpenLayout>();
    const own = (way: Way): W => {
      byId ??= new Map(ways.map((w) => [w.id, w]));
      const found = byId.get(way.id);
      if (!found) throw new Error(`${definition.id}: there is no way ${way.id} on this layout`);
      return found;
    };
    /** Ways of this very layout are taken as they are; those of another opening are found by their id. */
    const held = (play: Play): Play<W> => {
      const way = own(play.way);
      return way === play.way ? (play as Play<W>) : { way, grip: play.grip };
    };
    const called = (way: W) => definition.nameOf?.(layout, way) ?? ownNamer(facts.home).spelled(way.pitch);
    const write = (way: W, dialect: string) => definition.tab(layout, way, dialect, called(way));
    return {
      family,
      layout,
      ...facts,
      ways,
      settings: definition.settings?.(layout) ?? [],
      forKey(key) {
        if (!definition.settingFor || !definition.withSetting) return this;
        const setting = definition.settingFor(layout, key);
        const known =
          settled.get(setting) ?? opened(definition.withSetting(layout, setting), capability, facts);
        settled.set(setting, known);
        return known;
      },
      playsOf(way, habits) {
        const grips = definition.gripsFor?.(layout, own(way), habits) ?? [];
        return grips.length === 0 ? [{ way, grip: undefined }] : grips.map((grip) => ({ way, grip }));
      },
      wayLoads: (play, moment, habits) => definition.wayLoads(layout, held(play), moment, habits),
      stepLoads: (from, to, moment, habits) =>
        definition.stepLoads(layout, held(from), held(to), moment, habits),
      remarks: (line) =>
        definition.remarks?.(
          layout,
          line.map((note) => ({ ...note, way: own(note.way) })),
        ) ?? [],
      sideOf: (play) => definition.sideOf(layout, held(play)),
      nameOf: (way) => called(own(way)),
      facts: (key) => definition.facts(layout, key),
      tables: (key) => definition.tables?.(layout, key, ways) ?? [],
      tab: (way, dialect) => write(own(way), dialect),
      brief: (way) => definition.brief(layout, own(way)),
      parseTab: (text, dialect) => definition.parseTab(layout, ways, text, dialect, write),
      scene: (chip) => definition.scene(layout, ways, chip),
      withOption: (option, value) => definition.withOption(layout, option, value),
      withElement: (element, change) => definition.withElement(layout, element, change),
      withTuning: (cents) =>
        definition.withTuning?.(layout, cents) ??
        fail({ field: '', wrong: '', message: `A ${definition.label} takes no tuning from a file.` }),
    };
  }
}
