import type { Chord } from '../harmony/chord.ts';
import type { Progression } from '../harmony/progression.ts';
import { isDrum, type Groove, type Hit, type Play } from './grooves.ts';

/** Bars and chords that are gone through again and again; times in counted beats. */
export interface Form {
  readonly bars: readonly FormBar[];
  /** Rising, without gaps. */
  readonly chords: readonly FormChord[];
}

export interface FormBar {
  readonly at: number;
  readonly beats: number;
  /** Beats of its measure that lie before it: of an upbeat, or where playing begins within a bar; none when left out. */
  readonly before?: number;
}

export interface FormChord {
  readonly bar: number;
  readonly chord: Chord;
  readonly at: number;
  readonly beats: number;
}

/** A progression as a form: the chords of a bar share it evenly. */
export function formOf({ bars, beats }: Progression): Form {
  return {
    bars: bars.map((_, bar) => ({ at: bar * beats, beats })),
    chords: bars.flatMap((chords, bar) =>
      chords.map((chord, i) => ({
        bar,
        chord,
        at: bar * beats + (i * beats) / chords.length,
        beats: beats / chords.length,
      })),
    ),
  };
}

/** A hit of a groove where it falls in a form. */
export interface PlacedHit {
  readonly hit: Hit;
  /** What is played for it there. */
  readonly play: Play;
  /** Counted beats since the form began, and which of its bars and chords it falls in. */
  readonly at: number;
  readonly bar: number;
  readonly chord: number;
  /** Counted beats that it lasts. */
  readonly beats: number;
}

/** A drummer's phrase, in bars. */
const PHRASE = 8;

/** Which of the two versions of a groove a bar has; phrases begin where bars are counted from. */
export type VersionOf = (bar: number) => 'hits' | 'otherwise';

/** Every phrase of eight bars in the other version than the one before. @param from version of the first */
export function inTurn(from: 0 | 1): VersionOf {
  return (bar) => ((from + Math.floor(bar / PHRASE)) % 2 === 0 ? 'hits' : 'otherwise');
}

/**
 * A groove laid over the bars of a form, each bar begun anew, with its fill in the last beat of every eighth bar and of the
 * last. Grooves of two even beats are felt in two where a bar has four. Rising bar by bar.
 * @param grooveOf what each bar, by its number, is played in
 * @param versionOf in which version; bars without an upbeat are counted
 */
export function hitsOf(
  form: Form,
  grooveOf: (bar: number) => Groove,
  versionOf: VersionOf = () => 'hits',
): readonly PlacedHit[] {
  const { bars, chords } = form;
  const bass = bassPlays(form);
  const placed: PlacedHit[] = [];
  const upbeats = bars[0]?.before ? 1 : 0;
  for (const [number, bar] of bars.entries()) {
    const groove = grooveOf(number);
    const before = bar.before ?? 0;
    const measure = before + bar.beats;
    const slower = groove.beats === 2 && groove.divisions === 2 && measure === 4 ? 2 : 1;
    const ends = number === bars.length - 1 || (number + 1 - upbeats) % PHRASE === 0;
    const fillFrom = ends && groove.fill.length > 0 && bar.beats > 1 ? bar.beats - 1 : bar.beats;
    const add = (hit: Hit, within: number, beats: number) => {
      const at = bar.at + within;
      const chord = chords.findLastIndex((span) => span.at <= at + 1e-9);
      if (chord < 0 || (hit.toChange && !changesSoon(form, chord, at))) return;
      placed.push({ hit, play: bass(hit.play, at, chord, groove), at, bar: number, chord, beats });
    };
    for (let cycle = 0; cycle < measure; cycle += slower * groove.beats)
      for (const hit of groove[versionOf(Math.max(0, number - upbeats))]) {
        const within = cycle + slower * hit.at - before;
        if (within < 0 || within >= bar.beats || (isDrum(hit.play) && within >= fillFrom)) continue;
        // An upbeat is the end of a bar: what carries a bar begins with the first whole one.
        if (before > 0 && CARRIES.includes(hit.play)) continue;
        add(hit, within, slower * hit.beats);
      }
    if (fillFrom < bar.beats) for (const hit of groove.fill) add(hit, fillFrom + hit.at, hit.beats);
  }
  return placed;
}

/** Whether another chord follows within a beat; after the last one the form begins again. */
function changesSoon({ chords }: Form, index: number, at: number): boolean {
  const now = chords[index]!;
  const next = chords[(index + 1) % chords.length]!;
  return next.chord.name !== now.chord.name && now.at + now.beats - at <= 1 + 1e-9;
}

/** What a bar stands on. */
const CARRIES: readonly Play[] = ['root', 'fifth', 'lead', 'drone', 'kick'];

/**
 * What a bass plays for what the groove says: the root wherever a chord has not had it yet, and in grooves that alternate
 * the fifth in every second bar of a chord. Asked in the order of the form.
 */
function bassPlays({ bars, chords }: Form) {
  let rooted: FormChord | undefined;
  return (play: Play, at: number, index: number, { alternates }: Groove): Play => {
    if (play !== 'root' && play !== 'fifth') return play;
    let first = index;
    while (first > 0 && chords[first - 1]!.chord.name === chords[index]!.chord.name) first -= 1;
    const begun = chords[first]!;
    if (rooted !== begun) {
      rooted = begun;
      return 'root';
    }
    const barsSince = bars.filter((bar) => bar.at > begun.at && bar.at <= at + 1e-9).length;
    return play === 'root' && alternates && barsSince % 2 === 1 ? 'fifth' : play;
  };
}
