/** What a family's ways keep: ids, what the player can do, tab, fingerings, and what can sound together. */
import { openInstrument, type Instrument } from '../../src/instrument/instrument.ts';
import { expectOk } from '../../src/result.ts';
import { every, namesOf, ofInstruments, optionChoices, type Rule } from './rule.ts';

export const PLAYING_RULES: readonly Rule[] = [
  ofInstruments(
    'ids are unique; techniques are known; a redundant way has an easier one of its pitch',
    ({ ways, family }, wrong) => {
      const rank = (technique: string) => family.techniques.findIndex((t) => t.id === technique);
      const byId = new Map(ways.map((way) => [way.id, way]));
      if (byId.size !== ways.length) wrong('two ways have one id');
      for (const way of ways) {
        if (!Number.isInteger(way.pitch) || way.pitch < 0 || way.pitch > 127)
          wrong(`way ${way.id} sounds ${way.pitch}, which is no pitch`);
        if (rank(way.technique) < 0) wrong(`way ${way.id} has the unknown technique ${way.technique}`);
        if (way.redundantTo === undefined) continue;
        const easier = byId.get(way.redundantTo);
        if (!easier) wrong(`way ${way.id} is redundant to ${way.redundantTo}, which is not there`);
        else if (easier.pitch !== way.pitch) wrong(`${way.id} is redundant to ${easier.id} of another pitch`);
        else if (rank(easier.technique) >= rank(way.technique))
          wrong(`${way.id} is redundant to ${easier.id}, which is no easier technique`);
      }
    },
  ),
  ofInstruments(
    'what the player can do decides which ways are able, group by group; nothing said is the default',
    (able, wrong) => {
      const groups = able.capabilityGroups;
      const ableIds = (instrument: Instrument) =>
        instrument.ways
          .filter((way) => way.able)
          .map((way) => way.id)
          .join(' ');
      const opened = (capability: Record<string, readonly string[]>) =>
        expectOk(openInstrument({ ...able.spec, capability }));
      const defaults = Object.fromEntries(groups.map((group) => [group.id, group.byDefault]));
      if (ableIds(opened({})) !== ableIds(opened(defaults)))
        wrong('a group left out is not opened with its byDefault');
      for (const group of groups) {
        const without = ableIds(opened({ ...able.spec.capability, [group.id]: [] }));
        if (group.places.length > 0 && without === ableIds(able))
          wrong(`taking all places out of ${group.id} changes nothing`);
      }
    },
  ),
  ofInstruments('tab text in every dialect is read back as the same way', (instrument, wrong) => {
    for (const { id: dialect } of instrument.family.dialects)
      for (const way of instrument.ways) {
        const text = instrument.tab(way, dialect);
        const read = instrument.parseTab(text, dialect);
        if (!read.ok) wrong(`“${text}” of ${way.id} in ${dialect} is not read: ${read.problems[0]!.message}`);
        else if (read.value.id !== way.id)
          wrong(`“${text}” of ${way.id} in ${dialect} is read as ${read.value.id}`);
      }
  }),
  ofInstruments('the brief text tells a way from all others on the same side', (instrument, wrong) => {
    const seen = new Map<string, string>();
    for (const way of instrument.ways) {
      const text = `${instrument.sideOf({ way, fingering: undefined })} ${instrument.brief(way)}`;
      const twin = seen.get(text);
      if (twin) wrong(`${twin} and ${way.id} are both “${text}”`);
      seen.set(text, way.id);
    }
  }),
  ofInstruments(
    'what can sound together is the same for a pair either way it is asked, with a reason for what cannot',
    (instrument, wrong) => {
      const fingered = instrument.ways.flatMap((way) => instrument.fingeredWaysOf(way, {}, true));
      for (const low of every(fingered, 9))
        for (const high of every(fingered, 4)) {
          if (low.way.pitch === high.way.pitch && low.way.id !== high.way.id) {
            // Of two of one pitch neither is the lower.
            if ((instrument.clash(low, high) === undefined) !== (instrument.clash(high, low) === undefined))
              wrong(`${namesOf([low, high])} clash only one way round`);
          }
          if (low.way.pitch >= high.way.pitch) continue;
          const clash = instrument.clash(low, high);
          if (clash && clash.text.length < 10) wrong(`${namesOf([low, high])} clash without a reason`);
          if (
            low.fingering !== undefined &&
            low.fingering === high.fingering &&
            low.way.place !== high.way.place
          ) {
            if (!clash) wrong(`${namesOf([low, high])} are held by one finger`);
          }
        }
    },
  ),
  ofInstruments(
    'fingerings are of the family’s list and play every way; every side has a name',
    (instrument, wrong) => {
      const { family } = instrument;
      const known = new Set(family.fingerings.map((fingering) => fingering.id));
      for (const options of optionChoices(family))
        for (const way of instrument.ways)
          for (const fingered of instrument.fingeredWaysOf(way, options)) {
            if (fingered.fingering !== undefined && !known.has(fingered.fingering))
              wrong(`${namesOf([fingered])} has an unknown fingering`);
            if (!family.sides[instrument.sideOf(fingered)]?.trim())
              wrong(`${namesOf([fingered])} is on a side without a name`);
          }
    },
  ),
];
