import { ownNamer } from '../scale/namer.ts';
import { sceneOf, type Diagram } from '../scene/diagram.ts';
import { fail, ok, type Result } from '../result.ts';
import { joinCarried, splitCarried, type CarriedPart } from './carried.ts';
import type { Face, Family, FamilyDefinition, OpenLayout } from './contract.ts';
import { withArticle } from '../words.ts';
import { chordTyped, readLoosely } from './kernel/readLoosely.ts';
import { tabReader } from './kernel/tabTable.ts';
import type { Can, Capability, CapabilityGroup } from './layoutPart.ts';
import { AGAINST_CHOICE, AIR_TERMS, OUT_OF_TUNE } from './generalTerms.ts';
import type { FingeredWay, Hold, PlayedHold, Way } from './way.ts';

/** Closes a definition over its own types, so that the list of families needs no type of any one of them. */
export function defineFamily<Layout, W extends Way>(definition: FamilyDefinition<Layout, W>): Family {
  const writers = new Map(definition.dialects.map((dialect) => [dialect.id, dialect]));
  const dialectIds = [...writers.keys()];
  const terms = Object.freeze([
    ...definition.terms,
    OUT_OF_TUNE,
    AGAINST_CHOICE,
    ...(AIR_TERMS[definition.airKind ?? 'breath'] ?? []),
  ]);
  const family: Family = Object.freeze({ ...definition, terms, face, open });
  return family;

  function face(stored: unknown): Result<Face> {
    const checked = definition.check(stored);
    if (!checked.ok) return checked;
    return ok(faceOf(checked.value));
  }

  function faceOf(layout: Layout): Face {
    return {
      description: definition.describe(layout),
      home: definition.home(layout),
      ownScale: definition.ownScale?.(layout) ?? 'major',
    };
  }

  function open(stored: unknown, capability: Capability): Result<OpenLayout> {
    const checked = definition.check(stored);
    return checked.ok ? ok(opened(checked.value, capability)) : checked;
  }

  /** What setting a layout for a key leaves as it is. */
  function layoutFacts(layout: Layout) {
    return {
      ...faceOf(layout),
      marks: definition.marks?.(layout) ?? [],
      drones: definition.drones?.(layout) ?? [],
      options: definition.options(layout),
      elements: definition.elements(layout),
      capabilityGroups: definition
        .capabilityGroups(layout)
        .map((group): CapabilityGroup => ({ byDefault: group.places, ...group })),
      tuning: definition.tuning?.(layout),
    };
  }

  function opened(layout: Layout, capability: Capability, facts = layoutFacts(layout)): OpenLayout {
    const ways = definition.ways(layout, canOf(facts.capabilityGroups, capability));
    /** Made when first asked for: of many settings only the costs that a setting changes are asked. */
    let byId: ReadonlyMap<string, W> | undefined;
    let diagram: Diagram<W> | undefined;
    /** Layouts as they are set for keys, each opened once. */
    const settled = new Map<string, OpenLayout>();
    // As with terms: they are only ever given its own ways.
    const carries: readonly CarriedPart[] = definition.carries ?? [];
    const own = (way: Way): W => {
      byId ??= new Map(ways.map((w) => [w.id, w]));
      const found = byId.get(way.id);
      if (!found) throw new Error(`${definition.id}: there is no way ${way.id} on this layout`);
      return found;
    };
    const called = (way: W) =>
      definition.nameOf?.(layout, way) ?? ownNamer(facts.home, facts.ownScale).spelled(way.pitch);
    const write = (way: W, dialect: string, note = called(way)) => {
      const writer = writers.get(dialect);
      if (!writer) throw new Error(`tab: no dialect ${dialect}`);
      return writer.write(way, note);
    };
    const fromTable = tabReader(ways, dialectIds, write);
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
      fingeredWaysOf(way, options, inChord = false) {
        const fingerings = definition.fingeringsFor?.(layout, own(way), options, inChord) ?? [];
        if (fingerings.length === 0) return [{ way, fingering: undefined }];
        return fingerings.map((fingering) => ({ way, fingering }));
      },
      // A family's terms are only ever given its own ways and layouts.
      terms: definition.terms,
      clash: (low, high) => definition.clash(layout, low as FingeredWay<W>, high as FingeredWay<W>),
      holdClash: (hold) => definition.holdClash?.(layout, hold as Hold<W>),
      carries,
      carry: (before, hold) => {
        const texts = splitCarried(before, carries.length);
        return joinCarried(carries.map((part, i) => part.carry(texts[i]!, hold)));
      },
      heeded: (carried, hold) => {
        const texts = splitCarried(carried, carries.length);
        return joinCarried(carries.map((part, i) => part.heeded?.(texts[i]!, hold) ?? texts[i]!));
      },
      wouldFit: (pitch) => definition.wouldFit?.(layout, pitch),
      changes: (line) => definition.changes?.(layout, line as readonly PlayedHold<W>[]) ?? [],
      remarks: (line, options) =>
        definition.remarks?.(layout, line as readonly PlayedHold<W>[], options) ?? [],
      figures: (way, key) => definition.figures?.(layout, own(way), ways, key) ?? [],
      sideOf: ({ way, fingering }) => definition.sideOf(layout, { way: own(way), fingering }),
      nameOf: (way) => called(own(way)),
      facts: (key) => definition.facts(layout, key),
      airStore: (options) => definition.airStore?.(layout, options),
      beginsNear: (key) => definition.beginsNear?.(layout, key),
      unusual: (key) => definition.unusual?.(layout, key) ?? 0,
      tables: (key) => definition.tables?.(layout, key, ways) ?? [],
      tab: (way, dialect, note) => write(own(way), dialect, note),
      brief: (way, note = called(own(way))) => definition.brief(layout, own(way), note),
      briefAlone: (way, note = called(own(way))) =>
        definition.briefAlone?.(own(way)) ?? definition.brief(layout, own(way), note),
      chordTab: (chord, dialect) =>
        definition.dialects.find(({ id }) => id === dialect)?.writeChord?.(chord.map(own)),
      chordTyped: (text) => chordTyped(text, definition.chordSpellings ?? []),
      parseTab: (text, dialect) =>
        readLoosely(
          text,
          (note) => definition.parseTab?.(ways, note, dialect) ?? fromTable(note, dialect),
          (way) => write(own(way), dialect),
          definition.spellings,
        ),
      scene: (chip) => {
        diagram ??= definition.diagram(layout, ways);
        return sceneOf(facts.description, diagram, ways, chip);
      },
      withOption: (option, value) => definition.withOption(layout, option, value),
      withElement: (element, change) => definition.withElement(layout, element, change),
      withTuning: (cents) =>
        definition.withTuning?.(layout, cents) ??
        fail({
          field: '',
          wrong: '',
          message: `No tuning from a file can be put on ${withArticle(definition.label)}.`,
        }),
    };
  }
}

/** What is stored of a capability, and the defaults of what is not. */
function canOf(groups: readonly CapabilityGroup[], capability: Capability): Can {
  const able = new Map(groups.map(({ id, byDefault }) => [id, new Set(capability[id] ?? byDefault)]));
  return (group, place) => {
    const places = able.get(group);
    if (!places) throw new Error(`there is no group of places ${group}`);
    return places.has(place);
  };
}
