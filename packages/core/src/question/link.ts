import type { Family } from '../families/contract.ts';
import type { Problem } from '../result.ts';
import { flatName, noteCode, pitchText, parsePitch } from '../pitch/noteName.ts';
import type { OwnKey } from '../families/contract.ts';
import type { LineRange, Place } from '../route/range.ts';
import { CHROMATIC_DEGREE_NAMES, degreeRead } from '../scale/degree.ts';
import { PATTERNS } from '../route/pattern.ts';
import type { Direction } from '../route/direction.ts';
import {
  checkQuestion,
  defaultQuestion,
  usualChords,
  usualDirection,
  type Question,
  type StoredQuestion,
} from './question.ts';
import { pinText, readPins } from '../route/pinLink.ts';

/** Link parameters of a question; those at their default are left out. */
export type LinkParams = Readonly<Record<string, string>>;

/** The names of all parameters that a question may write. */
export const QUESTION_PARAMS = Object.freeze([
  'in',
  'play',
  'range',
  'dir',
  'over',
  'layer',
  'as',
  'anchor',
  'with',
  'weigh',
  'how',
  'pin',
] as const);

/** Writes a question as link parameters: `in=F&play=blues-six&range=2&dir=up&with=air`. */
export function questionToLink(question: StoredQuestion, family: Family): LinkParams {
  const base = defaultQuestion(family);
  const weights = pairsText(question.preferences.weights);
  const playing = pairsText(question.preferences.playingOptions);
  return {
    in: question.tonic,
    play: question.scale,
    ...(rangeText(question.range) === rangeText(base.range) ? {} : { range: rangeText(question.range) }),
    ...(question.direction === usualDirection(question.pattern) ? {} : { dir: question.direction }),
    ...(question.chords.join() === usualChords(question.scale).join()
      ? {}
      : { over: question.chords.join(',') }),
    ...(question.layer === base.layer ? {} : { layer: question.layer }),
    ...(question.pattern === base.pattern ? {} : { as: question.pattern }),
    ...(question.anchor === base.anchor ? {} : { anchor: String(question.anchor + 1) }),
    ...(question.preferences.preset === base.preferences.preset ? {} : { with: question.preferences.preset }),
    ...(weights ? { weigh: weights } : {}),
    ...(playing ? { how: playing } : {}),
    ...(question.pins.length > 0 ? { pin: question.pins.map(pinText).join(',') } : {}),
  };
}

/**
 * Reads link parameters. What cannot be understood is replaced by the default and reported, so that a mistyped or old
 * link still opens.
 * @param own key and scale taken where the link names none: the instrument's own
 */
export function questionFromLink(
  params: LinkParams,
  family: Family,
  own?: OwnKey,
): { question: Question; problems: readonly Problem[] } {
  const base = defaultQuestion(family, own);
  const written: StoredQuestion = {
    tonic: params['in'] ?? base.tonic,
    scale: params['play'] ?? base.scale,
    range: readRange(params['range']) ?? base.range,
    chords: params['over']?.split(',') ?? usualChords(params['play'] ?? base.scale),
    layer: (params['layer'] ?? base.layer) as StoredQuestion['layer'],
    pattern: (params['as'] ?? base.pattern) as StoredQuestion['pattern'],
    direction: (params['dir'] ?? directionFor(params['as'])) as StoredQuestion['direction'],
    anchor: params['anchor'] === undefined ? base.anchor : Number(params['anchor']) - 1,
    preferences: {
      preset: params['with'] ?? base.preferences.preset,
      weights: readWeights(params['weigh']),
      playingOptions: readPairs(params['how']),
    },
    pins: readPins(params['pin']),
  };
  const checked = checkQuestion(family, written);
  if (checked.ok) return { question: checked.value, problems: [] };
  const mended: Record<string, unknown> = { ...written };
  for (const problem of checked.problems) {
    const field = problem.field.split('.')[0] as keyof StoredQuestion;
    mended[field] = base[field];
  }
  const again = checkQuestion(family, mended);
  if (!again.ok)
    throw new Error(`questionFromLink: the default question is wrong: ${again.problems[0]!.message}`);
  return { question: again.value, problems: checked.problems };
}

/** Usual for a pattern as a link names it; as without one where there is no such pattern. */
function directionFor(pattern: string | undefined): Direction {
  return usualDirection(PATTERNS.find(({ id }) => id === pattern)?.id ?? 'straight');
}

function rangeText(range: LineRange): string {
  if (range.kind === 'whole') return 'all';
  const code = (pitch: number) => pitchText(pitch).replace(/^[A-G][♯♭]*/u, noteCode(flatName(pitch)));
  if (range.kind === 'octaves') {
    const from = typeof range.from === 'number' ? code(range.from) : range.from;
    const ends = [range.start, range.turn].map((step) => (step === undefined ? '' : stepCode(step)));
    return [range.octaves, from === 'best' && ends.join('') === '' ? '' : from, ...ends]
      .join('.')
      .replace(/\.+$/u, '');
  }
  return `${code(range.low)}-${code(range.high)}`;
}

/** `5`, `b3`: a step above home as a link writes it. */
function stepCode(step: number): string {
  return CHROMATIC_DEGREE_NAMES[step]!.replace('♭', 'b');
}

function readRange(text: string | undefined): LineRange | undefined {
  if (text === undefined) return undefined;
  if (text === 'all') return { kind: 'whole' };
  const [low, high] = text.split('-').map((part) => parsePitch(part));
  if (low?.ok && high?.ok) return { kind: 'between', low: low.value, high: high.value };
  const [octaves = '', from = 'best', ...ends] = text.split('.');
  const home = parsePitch(from);
  const [start, turn] = ends.map((end) => (end === '' ? undefined : (degreeRead(end) ?? NaN)));
  return {
    kind: 'octaves',
    octaves: Number(octaves),
    from: home.ok ? home.value : (from as Place),
    ...(start !== undefined && { start }),
    ...(turn !== undefined && { turn }),
  };
}

function pairsText(pairs: Readonly<Record<string, unknown>>): string {
  return Object.entries(pairs)
    .map(([key, value]) => `${key}:${String(value)}`)
    .join(',');
}

function readPairs(text: string | undefined): Record<string, string> {
  const items = (text ?? '').split(',').filter((item) => item !== '');
  return Object.fromEntries(items.map((item) => [item.split(':')[0]!, item.split(':').slice(1).join(':')]));
}

function readWeights(text: string | undefined): Record<string, number> {
  return Object.fromEntries(Object.entries(readPairs(text)).map(([part, weight]) => [part, Number(weight)]));
}
