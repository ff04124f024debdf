import { QUARTER, soundingPitch, type SpelledPitch, type Ticks } from '@same-song/core/music';
import {
  barStarts,
  fifthsOfSongKey,
  valueOf,
  writtenBars,
  type Bar,
  type NoteMark,
  type Song,
  type SongKey,
  type SongNote,
  type Tuplet,
  type Voice,
  type WrittenEvent,
} from '@same-song/core/song';
import { sungTo, wordsTogether } from '../wordsUnder.ts';
import { tag } from './element.ts';
import { MODES } from './tables.ts';
import { harmony } from './writeHarmony.ts';
import { barlineLeft, barlineRight, signsAfter, signsBefore } from './writeSigns.ts';

export interface MusicXmlOptions {
  /** What stands under a note as a last line of words, such as its tab. */
  readonly wordsUnder?: (note: SongNote, voice: string) => string | undefined;
}

/** Divisions of a quarter: every time of ours is whole. */
const DIVISIONS = QUARTER;

/** A song as MusicXML 4.0 by parts, each part on one staff. */
export function writeMusicXml(song: Song, options: MusicXmlOptions = {}): string {
  const list = song.parts.map((part, i) =>
    tag('score-part', [tag('part-name', part.name)], { id: `P${i + 1}` }),
  );
  const parts = song.parts.map((part, i) =>
    tag('part', new PartWriter(song, part.voices, i === 0, part.percussion === true, options).measures(), {
      id: `P${i + 1}`,
    }),
  );
  return [
    '<?xml version="1.0" encoding="UTF-8" standalone="no"?>',
    tag(
      'score-partwise',
      [
        tag('work', [tag('work-title', song.title)]),
        tag('identification', [
          ...(song.composer ? [tag('creator', song.composer, { type: 'composer' })] : []),
          ...(song.licence ? [tag('rights', song.licence)] : []),
          ...(song.source ? [tag('source', song.source)] : []),
        ]),
        tag('part-list', list),
        ...parts,
      ],
      { version: '4.0' },
    ),
    '',
  ].join('\n');
}

/** Names of values by their part of a whole note. */
const TYPE_OF: Readonly<Record<string, string>> = {
  '0.5': 'breve',
  '1': 'whole',
  '2': 'half',
  '4': 'quarter',
  '8': 'eighth',
  '16': '16th',
  '32': '32nd',
  '64': '64th',
  '128': '128th',
};

class PartWriter {
  private readonly starts: readonly Ticks[];
  /** Where ties arrive, by time and pitch. */
  private readonly arriving = new Set<string>();
  private readonly syllabic = new Map<string, string>();
  private readonly written: readonly (readonly (readonly WrittenEvent[])[])[];

  constructor(
    private readonly song: Song,
    private readonly voices: readonly Voice[],
    private readonly leads: boolean,
    private readonly percussion: boolean,
    private readonly options: MusicXmlOptions,
  ) {
    this.starts = barStarts(song);
    this.written = voices.map((voice) => writtenBars(song, voice));
    for (const { notes } of voices) {
      for (const note of notes) if (note.tied) this.arriving.add(place(note.onset + note.length, note));
      this.takeSyllabics(notes);
    }
  }

  /** Whether a syllable begins a word, goes on with it or ends it. */
  private takeSyllabics(notes: readonly SongNote[]): void {
    const open: boolean[] = [];
    for (const note of notes)
      note.lyrics?.forEach((syllable, verse) => {
        if (!syllable) return;
        const [from, on] = [open[verse] === true, syllable.hyphen === true];
        this.syllabic.set(`${verse} ${note.id}`, from ? (on ? 'middle' : 'end') : on ? 'begin' : 'single');
        open[verse] = on;
      });
  }

  measures(): string[] {
    const pickup = this.hasPickup();
    return this.song.bars.map((bar, i) =>
      tag('measure', this.measure(bar, i), {
        number: i + (pickup ? 0 : 1),
        ...(pickup && i === 0 && { implicit: 'yes' }),
      }),
    );
  }

  private hasPickup(): boolean {
    const [first] = this.song.bars;
    const [metre] = this.song.metres;
    return (
      this.song.bars.length > 1 && metre?.at === 0 && first!.length < (4 * QUARTER * metre.count) / metre.unit
    );
  }

  private measure(bar: Bar, index: number): string[] {
    const from = this.starts[index]!;
    const voices = this.written.map((bars, v) => this.voice(bars[index]!, v));
    return [
      ...barlineLeft(bar, this.song.bars[index - 1]),
      ...this.attributes(from, index),
      ...(this.leads ? [...this.tempo(from), ...signsBefore(bar)] : []),
      ...voices.flatMap((notes, v) => [
        ...(v > 0 ? [tag('backup', [tag('duration', bar.length)])] : []),
        ...notes,
      ]),
      ...(this.leads ? signsAfter(bar) : []),
      ...barlineRight(bar, this.song.bars[index + 1], index === this.song.bars.length - 1),
    ];
  }

  private attributes(from: Ticks, index: number): string[] {
    const key = this.song.keys.find(({ at }) => at === from);
    const metre = this.song.metres.find(({ at }) => at === from);
    const inner = [
      ...(index === 0 ? [tag('divisions', DIVISIONS)] : []),
      ...(key ? [keyElement(key)] : []),
      ...(metre ? [tag('time', [tag('beats', metre.count), tag('beat-type', metre.unit)])] : []),
      ...(index === 0 ? [this.clef()] : []),
    ];
    return inner.length > 0 ? [tag('attributes', inner)] : [];
  }

  private clef(): string {
    if (this.percussion) return tag('clef', [tag('sign', 'percussion')]);
    const pitches = this.voices.flatMap(({ notes }) => notes.map(({ pitch }) => soundingPitch(pitch)));
    const mean = pitches.reduce((sum, pitch) => sum + pitch, 0) / Math.max(1, pitches.length);
    return mean < 55
      ? tag('clef', [tag('sign', 'F'), tag('line', 4)])
      : tag('clef', [tag('sign', 'G'), tag('line', 2)]);
  }

  private tempo(from: Ticks): string[] {
    return this.song.tempos
      .filter(({ at }) => at === from)
      .map(({ beat, perMinute }) => {
        const value = valueOf(beat);
        const quarters = Math.round(((perMinute * beat) / QUARTER) * 100) / 100;
        const metronome = value && [
          tag('metronome', [
            tag('beat-unit', TYPE_OF[String(value.part)]),
            ...Array.from({ length: value.dots }, () => tag('beat-unit-dot')),
            tag('per-minute', perMinute),
          ]),
        ];
        return tag('direction', [
          tag('direction-type', metronome ?? [tag('words', `♩ = ${quarters}`)]),
          tag('sound', [], { tempo: quarters }),
        ]);
      });
  }

  private voice(events: readonly WrittenEvent[], voice: number): string[] {
    const open: { readonly tuplet: Tuplet; readonly number: number }[] = [];
    return events.flatMap((event) => {
      const starts = event.begins.map((tuplet) => {
        const opened = { tuplet, number: open.length + 1 };
        open.push(opened);
        return opened;
      });
      const around = open.map(({ tuplet }) => tuplet);
      const stops = Array.from({ length: event.ends }, () => open.pop()!);
      const marks = [
        ...starts.map(({ tuplet, number }) => tupletMark('start', number, tuplet)),
        ...stops.map(({ number }) => tag('tuplet', [], { type: 'stop', number })),
      ];
      const chords = this.leads && voice === 0 ? this.harmonies(event) : [];
      const made = this.event(event, { voice: voice + 1, around, marks });
      return [...chords, ...made];
    });
  }

  private harmonies({ onset, length }: WrittenEvent): string[] {
    const { tonic } = this.song.keys[0]!;
    return this.song.chords
      .filter(({ at }) => at >= onset && at < onset + length)
      .map((chord) => harmony(chord, chord.at - onset, tonic));
  }

  private event(
    event: WrittenEvent,
    context: {
      readonly voice: number;
      readonly around: readonly Tuplet[];
      readonly marks: readonly string[];
    },
  ): string[] {
    const { voice, around, marks } = context;
    const value = valueOf(event.written);
    const timed = (tie: readonly string[]) => [
      tag('duration', event.length),
      ...tie,
      tag('voice', voice),
      ...(value
        ? [tag('type', TYPE_OF[String(value.part)]), ...Array.from({ length: value.dots }, () => tag('dot'))]
        : []),
      ...modification(around),
    ];
    if (event.notes.length === 0)
      return [
        tag('note', [tag('rest'), ...timed([]), ...(marks.length > 0 ? [tag('notations', marks)] : [])]),
      ];
    return event.notes.flatMap((note, i) => {
      const ties = this.ties(event, note);
      const notations = [
        ...ties.map((type) => tag('tied', [], { type })),
        ...(i === 0 ? marks : []),
        ...(event.continued ? [] : marksOf(note.marks ?? [])),
      ];
      const grace = event.continued
        ? []
        : (note.grace ?? []).map((pitch) =>
            tag('note', [tag('grace'), pitchElement(pitch), tag('voice', voice), tag('type', 'eighth')]),
          );
      return [
        ...grace,
        tag('note', [
          ...(i > 0 ? [tag('chord')] : []),
          this.percussion ? unpitched(note.pitch) : pitchElement(note.pitch),
          ...timed(ties.map((type) => tag('tie', [], { type }))),
          ...(notations.length > 0 ? [tag('notations', notations)] : []),
          ...(event.continued || i > 0 ? [] : this.lyrics(event.notes, voice)),
        ]),
      ];
    });
  }

  /** `stop` where it is tied from the sign before, `start` where it goes on in the next. */
  private ties(event: WrittenEvent, note: SongNote): ('stop' | 'start')[] {
    const stop = event.continued || this.arriving.has(place(note.onset, note));
    const ends = event.onset + event.length >= note.onset + note.length;
    const start = ends ? note.tied === true : true;
    return [...(stop ? (['stop'] as const) : []), ...(start ? (['start'] as const) : [])];
  }

  private lyrics(notes: readonly SongNote[], voice: number): string[] {
    const { wordsUnder } = this.options;
    const sung = sungTo(notes);
    const verses = sung.map((found, i) =>
      found ? lyric(i + 1, found.syllable.text, this.syllabic.get(`${i} ${found.note.id}`)!) : '',
    );
    const words = wordsUnder && wordsTogether(notes, this.voices[voice - 1]!.id, wordsUnder);
    return [
      ...verses.filter((text) => text !== ''),
      ...(words ? [lyric(sung.length + 1, words, 'single')] : []),
    ];
  }
}

function place(at: Ticks, { pitch }: SongNote): string {
  return `${at} ${soundingPitch(pitch)}`;
}

function lyric(number: number, text: string, syllabic: string): string {
  return tag('lyric', [tag('syllabic', syllabic), tag('text', text)], { number });
}

function keyElement(key: SongKey): string {
  const fifths = fifthsOfSongKey(key);
  const mode = Object.entries(MODES).find(([, { scale }]) => scale === key.scale)?.[0];
  return tag('key', [tag('fifths', fifths), ...(mode ? [tag('mode', mode)] : [])]);
}

function pitchElement({ letter, accidental, octave }: SpelledPitch): string {
  return tag('pitch', [
    tag('step', letter),
    ...(accidental !== 0 ? [tag('alter', accidental)] : []),
    tag('octave', octave),
  ]);
}

function unpitched({ letter, octave }: SpelledPitch): string {
  return tag('unpitched', [tag('display-step', letter), tag('display-octave', octave)]);
}

function modification(around: readonly Tuplet[]): string[] {
  if (around.length === 0) return [];
  const product = (pick: (t: Tuplet) => number) => around.reduce((all, tuplet) => all * pick(tuplet), 1);
  return [
    tag('time-modification', [
      tag(
        'actual-notes',
        product((t) => t.actual),
      ),
      tag(
        'normal-notes',
        product((t) => t.normal),
      ),
    ]),
  ];
}

function tupletMark(type: string, number: number, { actual, normal }: Tuplet): string {
  return tag(
    'tuplet',
    [
      tag('tuplet-actual', [tag('tuplet-number', actual)]),
      tag('tuplet-normal', [tag('tuplet-number', normal)]),
    ],
    { type, number },
  );
}

const ARTICULATED: Readonly<Partial<Record<NoteMark, string>>> = {
  staccato: 'staccato',
  tenuto: 'tenuto',
  accent: 'accent',
  breath: 'breath-mark',
};

function marksOf(marks: readonly NoteMark[]): string[] {
  const articulations = marks.flatMap((mark) => (ARTICULATED[mark] ? [tag(ARTICULATED[mark])] : []));
  const ornaments = marks.flatMap((mark) =>
    mark === 'trill' ? [tag('trill-mark')] : mark === 'roll' ? [tag('other-ornament', 'roll')] : [],
  );
  return [
    ...(articulations.length > 0 ? [tag('articulations', articulations)] : []),
    ...(ornaments.length > 0 ? [tag('ornaments', ornaments)] : []),
    ...(marks.includes('fermata') ? [tag('fermata')] : []),
  ];
}
