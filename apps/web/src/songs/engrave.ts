import type { Song } from '@same-song/core';
import { writeAbc } from '@same-song/formats';
import renderAbc from 'abcjs/src/api/abc_tunebook_svg.js';
import Svg from 'abcjs/src/write/svg.js';

/** Its only style of its own, for marking text while dragging, which nothing here needs and the page's policy refuses. */
Svg.prototype.insertStyles = () => undefined;

/** Where a note stands in a drawn system, in CSS pixels from its left and upper edge. */
export interface DrawnNote {
  readonly id: string;
  readonly x: number;
  /** Its head, stem and flag. */
  readonly mark: Element | null;
}

export interface DrawnSystem {
  readonly notes: readonly DrawnNote[];
  readonly width: number;
  readonly height: number;
}

/** What the engraver gives, as far as it is read here. */
interface Sign {
  readonly el_type: string;
  readonly rest?: { readonly type: string };
  readonly extraClass?: string;
  readonly pitches?: readonly { endTie?: boolean }[];
  readonly abselem?: { readonly notePositions?: readonly { readonly x: number; readonly y: number }[] };
}
interface Voices {
  voices: Sign[][];
}
interface Tune {
  lines: { staff?: Voices[] }[];
}

/** As the style sheet calls it. */
const FACE = 'Song Text';
let faceLoaded: Promise<unknown> | undefined;
let ready = false;

/** Sizes of texts are remembered by the engraver, so the face must be there before the first drawing. */
export function engraverReady(): Promise<unknown> {
  faceLoaded ??= Promise.all([
    document.fonts.load(`14px "${FACE}"`),
    document.fonts.load(`700 14px "${FACE}"`),
  ]).then(() => {
    ready = true;
  });
  return faceLoaded;
}

/** Whether drawing needs no waiting: what is printed must be drawn at once. */
export function isEngraverReady(): boolean {
  return ready;
}

/** Bars of each system, so that nothing is set closer than it can be read. @param width in CSS pixels */
export function systemsOf(song: Song, width: number): readonly number[] {
  const melody = song.parts.flatMap(({ voices }) => voices).find(({ id }) => id === song.melody)!;
  let at = 0;
  const widths = song.bars.map(({ length }) => {
    const [from, to] = [at, (at += length)];
    const notes = melody.notes.filter(({ onset }) => onset >= from && onset < to);
    const each = notes.map(({ lyrics = [], length: ticks }) => {
      const words = Math.max(0, ...lyrics.map((syllable) => (syllable ? syllable.text.length * 8 + 12 : 0)));
      return Math.max(words, LEAST_NOTE + (ticks / LONG_NOTE) * 14);
    });
    return 26 + each.reduce((sum, one) => sum + one, 0);
  });
  const systems: number[] = [];
  let used = Infinity;
  const room = width - 70;
  widths.forEach((bar, i) => {
    const begins = i > 0 && song.bars[i]!.section !== undefined;
    if (used + bar > room || begins) {
      systems.push(0);
      used = 0;
    }
    systems[systems.length - 1]! += 1;
    used += bar;
  });
  return systems;
}

/** Room of a note for its chip, in CSS pixels; long notes get a little more. */
const LEAST_NOTE = 42;
const LONG_NOTE = 10_080;

/** Draws one system of a song into an element of its own. */
export function drawSystem(
  target: HTMLElement,
  song: Song,
  options: { readonly systems: readonly number[]; readonly system: number; readonly width: number },
): DrawnSystem {
  const { systems, system, width } = options;
  const ids: string[] = [];
  const classOf = ({ id }: { readonly id: string }) => `k${ids.push(id) - 1}k`;
  const abc = writeAbc(
    { ...song, title: '', composer: '', source: '', tags: [], tempos: [] },
    {
      voices: [song.melody],
      lines: systems,
      classOf,
    },
  );
  const last = system === systems.length - 1;
  const [tune] = renderAbc(target, abc, {
    add_classes: true,
    staffwidth: width - 2 * MARGIN,
    ...{ paddingleft: MARGIN, paddingright: MARGIN, paddingtop: 0, paddingbottom: 0 },
    minPadding: 8,
    selectTypes: false,
    ariaLabel: `Staff, line ${system + 1} of ${systems.length}`,
    format: {
      ...{ vocalfont: `${FACE} 12`, gchordfont: `${FACE} 13 bold`, tripletfont: `${FACE} 10 italic` },
      ...{ repeatfont: `${FACE} 11`, partsfont: `${FACE} 12 bold`, stretchlast: !last },
    },
    afterParsing: (parsed: Tune) => onlySystem(parsed, system),
  }) as [Tune];
  // The engraver sets the target's own size; it is to follow what is drawn in it.
  target.removeAttribute('style');
  const svg = target.querySelector('svg')!;
  const notes = tune.lines.flatMap(({ staff = [] }) =>
    staff.flatMap(({ voices }) =>
      voices.flat().flatMap((element): DrawnNote[] => {
        const index = /k(\d+)k/.exec(element.extraClass ?? '')?.[1];
        const place = element.abselem?.notePositions?.[0];
        if (index === undefined || !place) return [];
        return [{ id: ids[Number(index)]!, x: place.x, mark: svg.querySelector(`.k${index}k`) }];
      }),
    ),
  );
  return { notes, width: svg.clientWidth || width, height: svg.clientHeight };
}

const MARGIN = 12;

/** Leaves one line of music, with what a cut before it would take away. */
function onlySystem(tune: Tune, system: number): Tune {
  const lines = tune.lines.filter(({ staff }) => staff !== undefined);
  const [line] = lines.slice(system, system + 1);
  const real = (e: Sign) => e.el_type === 'note' && !(e.rest && /invisible|spacer/.test(e.rest.type));
  for (const staff of line?.staff ?? []) {
    staff.voices = staff.voices.filter((voice, i) => i === 0 || voice.some(real));
    if (system === 0) continue;
    // A tie that comes in over the cut is drawn as a slur that comes in.
    for (const voice of staff.voices)
      for (const pitch of voice.find((e) => e.el_type === 'note')?.pitches ?? []) {
        const open = pitch as { endTie?: boolean; endSlur?: number[] };
        if (open.endTie) (open.endSlur ??= []).push(101);
      }
  }
  tune.lines = line ? [line] : [];
  return tune;
}
