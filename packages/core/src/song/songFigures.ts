import type { Instrument } from '../instrument/instrument.ts';
import type { NotationOptions } from '../map/notation.ts';
import { routeLine } from '../route/route.ts';
import { QUARTER } from '../time/ticks.ts';
import type { ArrangementPlan } from './arrangement.ts';
import { changeText, compareEffort } from './compareEffort.ts';
import { figuresAt, type ChosenFigure } from './figure.ts';
import type { Song } from './song.ts';
import { prepared } from './songView.ts';

/** An ornament that lies well at a note. */
export interface FigureOffer {
  /** Puts it in. */
  readonly figure: ChosenFigure;
  /** `shake with 5 draw`. */
  readonly words: string;
  /** What is touched before the note, and the note; empty where a finger only flicks. */
  readonly tab: string;
  /** What it asks beside the note alone. */
  readonly price: readonly string[];
}

/** Length of a note that is only touched, for what it asks. */
const TOUCH = QUARTER / 8;

/** The ornaments that lie well at a note of a song as it is arranged; none where the note cannot be had. */
export function figureOffers(
  base: Instrument,
  song: Song,
  plan: ArrangementPlan,
  noteId: string,
  { dialect, naming }: NotationOptions,
): readonly FigureOffer[] {
  const { readingAt, route, context, instrument, name } = prepared(base, song, plan, naming);
  const note = route.notes.find(({ id }) => id === noteId);
  if (!note?.way) return [];
  const { way } = note;
  const effortOf = (ways: readonly { readonly id: string; readonly pitch: number }[]) => {
    const line = ways.map(({ pitch }, i) => ({
      id: `${i}`,
      pitch,
      onset: i * TOUCH,
      length: i === ways.length - 1 ? QUARTER : TOUCH,
    }));
    return routeLine(context, line, { pins: ways.map(({ id }, i) => ({ noteId: `${i}`, wayId: id })) })
      .effort;
  };
  const alone = effortOf([way]);
  const { key } = readingAt(note.onset);
  return figuresAt(instrument, note, key).map((figure): FigureOffer => {
    const { id, words, sign } = figure;
    const touches = figure.before.flatMap((touch) => touch.way ?? []);
    const all = [...touches, way];
    return {
      figure: { noteId, figure: id },
      words,
      tab: sign ? '' : all.map((one) => instrument.tab(one, dialect, name.spelled(one.pitch))).join(' '),
      price: compareEffort(alone, effortOf(all)).map(changeText),
    };
  });
}
