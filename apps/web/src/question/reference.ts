import {
  FAMILY_IDS,
  familyById,
  openInstrument,
  specFromPreset,
  type InstrumentSpec,
  type OwnKey,
} from '@same-song/core/instruments';
import { adjusted, defaultPreferences, type Adjustment, type StoredQuestion } from '@same-song/core/route';
import type { InstrumentRecord } from '../api/records.ts';
import { subjectOf, type Subject } from '../compute/subject.ts';

/** An instrument of the cabinet, or one borrowed from the list of presets, as it stands or set for the time being. */
export interface ChosenInstrument extends Subject {
  /** As the link names it: a record's id, or `preset:diatonic/60`; then what is set, as `~capo:3`. */
  readonly ref: string;
  readonly record: InstrumentRecord | undefined;
  /** What to do first, so that it is as the link says; empty when it stands so. */
  readonly todo: readonly string[];
}

const BORROWED = 'preset:';
const FIRST_BORROWED = `${BORROWED}${FAMILY_IDS[0]}/60`;

export function presetRef(family: string, preset: string): string {
  return `${BORROWED}${family}/${preset}`;
}

/** True for one that is no record of the cabinet. */
export function isBorrowed(ref: string): boolean {
  return ref.startsWith(BORROWED);
}

/** The same instrument with options set for the time being. */
export function refWith(ref: string, settings: readonly Adjustment[]): string {
  return [ref, ...settings.map(({ option, choice }) => `${option}:${choice}`)].join('~');
}

/** The instrument as it stands. */
export function baseRef(ref: string): string {
  return ref.split('~')[0]!;
}

/** The instrument a reference names, in the cabinet or on loan; undefined while the cabinet is not there yet. */
export function choose(
  wanted: string | null,
  cabinet: readonly InstrumentRecord[],
  waiting: boolean,
): ChosenInstrument | undefined {
  const [ref = '', ...settings] = (wanted ?? '').split('~');
  const standing = standingOf(ref, cabinet, waiting);
  return standing?.ref === ref ? setAs(standing, settings) : standing;
}

function standingOf(
  ref: string,
  cabinet: readonly InstrumentRecord[],
  waiting: boolean,
): ChosenInstrument | undefined {
  if (isBorrowed(ref)) {
    const subject = borrowedInstrument(ref);
    if (subject) return { ref, ...subject, record: undefined, todo: [] };
  }
  if (waiting) return undefined;
  const record = cabinet.find((instrument) => instrument.id === ref) ?? cabinet[0];
  if (record) return { ref: record.id, ...subjectOf(record), record, todo: [] };
  return { ref: FIRST_BORROWED, ...borrowedInstrument(FIRST_BORROWED)!, record: undefined, todo: [] };
}

/** What a link sets that cannot be set leaves the instrument as it stands. */
function setAs(standing: ChosenInstrument, texts: readonly string[]): ChosenInstrument {
  const settings = texts.map((text): Adjustment => {
    const [option = '', ...choice] = text.split(':');
    return { option, choice: choice.join(':') };
  });
  const opened = openInstrument(standing.spec);
  const set = opened.ok ? adjusted(opened.value, settings) : opened;
  if (!set.ok || set.value.todo.length === 0) return standing;
  const { instrument, todo } = set.value;
  const [ref, key] = [standing.ref, standing.key].map((name) => refWith(name, settings));
  return { ...standing, ref: ref!, key: key!, spec: instrument.spec, todo };
}

/** An instrument on loan; undefined for a reference to none. */
export function borrowedInstrument(ref: string): Subject | undefined {
  const [familyId = '', preset = ''] = ref.slice(BORROWED.length).split('/');
  const known = familyById(familyId)?.presets.some((p) => p.id === preset);
  return known ? { key: ref, spec: specFromPreset(familyId, preset) } : undefined;
}

/** What is asked on one instrument, asked on another: without its pins, by its preferences where the family is the same. */
export function questionOn(
  question: StoredQuestion,
  from: InstrumentSpec,
  to: InstrumentSpec,
): StoredQuestion {
  const family = familyById(to.family);
  const isOther = from.family !== to.family && family !== undefined;
  return { ...question, pins: [], ...(isOther ? { preferences: defaultPreferences(family) } : {}) };
}

/** The key in which a player of an instrument begins; C major where there is none. */
export function ownKeyOf(chosen: ChosenInstrument | undefined): OwnKey {
  const face = chosen && familyById(chosen.spec.family)?.face(chosen.spec.layout);
  return face?.ok ? face.value : { home: 0, ownScale: 'major' };
}
