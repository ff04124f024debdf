import { fail, type Result } from '@same-song/core';
import { majorTonic, QUARTER } from '@same-song/core/music';
import { emptyDraft, finish, shiftedTonic, type Draft, type Read } from '../draft.ts';
import type { Remark } from '../remark.ts';
import { Signs, endingNumbers } from '../signs.ts';
import { PartReader } from './partReader.ts';
import { MODES, TYPES } from './tables.ts';
import { child, childrenOf, descend, numberIn, parseXml, textIn, type Xml } from './xml.ts';

/** A MusicXML score, 1.0 to 4.0, by parts or by time. */
export function readMusicXml(text: string): Result<Read> {
  const parsed = parseXml(text);
  if (!parsed.ok) return parsed;
  const root = parsed.value;
  const score = root.name === 'score-timewise' ? byParts(root) : root;
  if (score.name !== 'score-partwise')
    return fail({
      field: '',
      wrong: root.name,
      message: `This XML is no score: it holds “${root.name.slice(0, 40)}”.`,
    });
  const remarks: Remark[] = [];
  const draft = emptyDraft('');
  takeFacts(draft, score);
  const named = new Map(
    childrenOf(child(score, 'part-list'), 'score-part').map((part) => [part.attributes['id'] ?? '', part]),
  );
  const concert = descend(score, 'defaults', 'concert-score') !== undefined;
  childrenOf(score, 'part').forEach((part, i) => {
    const id = part.attributes['id'] ?? `P${i + 1}`;
    const about = named.get(id);
    const reader = new PartReader(
      draft,
      { id, name: textIn(about, 'part-name') ?? '', about, concert, leads: i === 0 },
      remarks,
    );
    if (i === 0) takeSigns(draft, part);
    childrenOf(part, 'measure').forEach((measure, bar) => reader.measure(measure, bar));
    reader.end();
  });
  return finish(draft, remarks);
}

/** The same score with measures within parts. */
function byParts(score: Xml): Xml {
  const measures = new Map<string, Xml[]>();
  for (const measure of childrenOf(score, 'measure'))
    for (const part of childrenOf(measure, 'part')) {
      const id = part.attributes['id'] ?? '';
      const own = { ...part, name: 'measure', attributes: measure.attributes };
      measures.set(id, [...(measures.get(id) ?? []), own]);
    }
  const parts = [...measures].map(([id, children]): Xml => ({
    name: 'part',
    attributes: { id },
    children,
    text: '',
  }));
  const others = score.children.filter(({ name }) => name !== 'measure');
  return { ...score, name: 'score-partwise', children: [...others, ...parts] };
}

function takeFacts(draft: Draft, score: Xml): void {
  const identification = child(score, 'identification');
  const creator = (type: string) =>
    childrenOf(identification, 'creator')
      .find((c) => (c.attributes['type'] ?? 'composer') === type)
      ?.text.trim();
  const credit = descend(score, 'credit', 'credit-words')?.text.trim();
  draft.title = (
    textIn(child(score, 'work'), 'work-title') ??
    textIn(score, 'movement-title') ??
    credit ??
    ''
  ).slice(0, 200);
  draft.composer = (creator('composer') ?? '').slice(0, 200);
  draft.source = (textIn(identification, 'source') ?? '').slice(0, 300);
  draft.licence = (textIn(identification, 'rights') ?? '').slice(0, 200);
}

/** Keys, metres, tempos, repeats and jumps, as the first part has them. */
function takeSigns(draft: Draft, part: Xml): void {
  const signs = new Signs(draft.bars, true);
  let divisions = 1;
  let transpose = 0;
  childrenOf(part, 'measure').forEach((measure, bar) => {
    signs.bar = bar;
    draft.bars.push({ length: 0 });
    let at = 0;
    const here = () => ({ bar, at: Math.max(0, Math.round(at * QUARTER)) });
    for (const element of measure.children) {
      const { name } = element;
      const duration = (numberIn(element, 'duration') ?? 0) / divisions;
      if (name === 'attributes') {
        divisions = numberIn(element, 'divisions') || divisions;
        const moved = child(element, 'transpose');
        if (moved)
          transpose = (numberIn(moved, 'chromatic') ?? 0) + 12 * (numberIn(moved, 'octave-change') ?? 0);
        takeAttributes(draft, element, here(), transpose);
      } else if (name === 'note' && !child(element, 'chord') && !child(element, 'grace')) at += duration;
      else if (name === 'forward') at += duration;
      else if (name === 'backup') at -= duration;
      else if (name === 'direction') takeDirection(draft, signs, element, here());
      else if (name === 'sound') takeSound(draft, signs, element, here());
      else if (name === 'barline') takeBarLine(draft, element, bar);
    }
  });
  spreadEndings(draft, part);
  signs.settleCodas();
}

function takeAttributes(
  draft: Draft,
  attributes: Xml,
  here: { bar: number; at: number },
  transpose: number,
): void {
  const key = child(attributes, 'key');
  const fifths = numberIn(key, 'fifths');
  if (fifths !== undefined && Math.abs(fifths) <= 7) {
    const { scale, above } = MODES[textIn(key, 'mode') ?? 'major'] ?? MODES['major']!;
    draft.keys.push({ ...here, scale, tonic: shiftedTonic(majorTonic(fifths + above), scale, transpose) });
  }
  const time = child(attributes, 'time');
  const counts = childrenOf(time, 'beats').flatMap(({ text }) => text.split('+').map(Number));
  const units = childrenOf(time, 'beat-type').map(({ text }) => Number(text));
  const count = counts.reduce((sum, n) => sum + n, 0);
  const [unit] = units;
  if (
    unit &&
    units.every((u) => u === unit) &&
    [1, 2, 4, 8, 16, 32, 64].includes(unit) &&
    count >= 1 &&
    count <= 64
  )
    draft.metres.push({ ...here, count, unit });
}

function takeDirection(draft: Draft, signs: Signs, direction: Xml, here: { bar: number; at: number }): void {
  const midBar = here.at > 0;
  const sounds = childrenOf(direction, 'sound');
  const told = new Set(sounds.flatMap(({ attributes }) => Object.keys(attributes)));
  let metronome = false;
  for (const type of childrenOf(direction, 'direction-type').flatMap(({ children }) => children)) {
    if (type.name === 'segno') signs.sign('segno', false, midBar);
    else if (type.name === 'coda' && !told.has('coda') && !told.has('tocoda'))
      signs.sign('coda', false, midBar);
    else if (
      type.name === 'words' &&
      !['dacapo', 'dalsegno', 'fine', 'tocoda', 'coda'].some((word) => told.has(word))
    )
      signs.word(type.text, false);
    else if (type.name === 'metronome') metronome = takeMetronome(draft, type, here) || metronome;
  }
  for (const sound of sounds) takeSound(draft, signs, sound, here, metronome);
}

function takeMetronome(draft: Draft, metronome: Xml, here: { bar: number; at: number }): boolean {
  const quarters = TYPES[textIn(metronome, 'beat-unit') ?? ''];
  const perMinute = Number(/\d+(?:\.\d+)?/.exec(textIn(metronome, 'per-minute') ?? '')?.[0]);
  if (!quarters || !(perMinute >= 5 && perMinute <= 600)) return false;
  const dots = childrenOf(metronome, 'beat-unit-dot').length;
  const beat = Math.round(QUARTER * quarters * (2 - 0.5 ** dots));
  if (beat > 8 * QUARTER) return false;
  draft.tempos.push({ ...here, beat, perMinute });
  return true;
}

/** @param timed whether the tempo is known already */
function takeSound(
  draft: Draft,
  signs: Signs,
  { attributes }: Xml,
  here: { bar: number; at: number },
  timed = false,
): void {
  const tempo = Number(attributes['tempo']);
  if (!timed && tempo >= 5 && tempo <= 600) draft.tempos.push({ ...here, beat: QUARTER, perMinute: tempo });
  const bar = draft.bars[here.bar]!;
  const midBar = here.at > 0;
  if (attributes['dacapo'] === 'yes') bar.jump = 'start';
  if (attributes['dalsegno'] !== undefined) bar.jump = 'segno';
  if (attributes['segno'] !== undefined) signs.sign('segno', false, midBar);
  if (attributes['fine'] !== undefined) bar.fine = true;
  if (attributes['tocoda'] !== undefined) bar.toCoda = true;
  if (attributes['coda'] !== undefined) bar.coda = true;
}

function takeBarLine(draft: Draft, barline: Xml, index: number): void {
  const bar = draft.bars[index]!;
  const repeat = child(barline, 'repeat');
  const direction = repeat?.attributes['direction'];
  if (direction === 'forward') bar.repeatStart = true;
  if (direction === 'backward') {
    const times = Number(repeat?.attributes['times'] ?? 2);
    bar.repeatEnd = Number.isInteger(times) && times >= 1 && times <= 64 ? times : 2;
  }
  const style = textIn(barline, 'bar-style');
  if (
    (barline.attributes['location'] ?? 'right') === 'right' &&
    (style === 'light-light' || style === 'light-heavy')
  )
    bar.doubleLine = true;
  if (child(barline, 'segno')) bar.segno = true;
}

/** Endings reach from the bar where they start to the one where they stop. */
function spreadEndings(draft: Draft, part: Xml): void {
  let open: readonly number[] | undefined;
  childrenOf(part, 'measure').forEach((measure, index) => {
    const marks = childrenOf(measure, 'barline').flatMap((barline) => childrenOf(barline, 'ending'));
    const start = marks.find(({ attributes }) => attributes['type'] === 'start');
    if (start) open = endingNumbers(start.attributes['number'] ?? start.text);
    if (open) draft.bars[index]!.endings = open;
    if (marks.some(({ attributes }) => attributes['type'] !== 'start')) open = undefined;
  });
}
