import type { Family } from '../families/contract.ts';
import type { Problem } from '../result.ts';
import { flatName, noteCode, pitchText, parsePitch } from '../pitch/noteName.ts';
import type { PitchClass } from '../pitch/pitch.ts';
import type { Span } from '../route/line.ts';
import { checkAsk, defaultAsk, type Ask, type StoredAsk } from './ask.ts';

/** Link parameters of an ask; those at their default are left out. */
export type LinkParams = Readonly<Record<string, string>>;

/** Writes an ask as link parameters: `in=F&play=blues-six&span=2&dir=up&with=air`. */
export function askToLink(ask: StoredAsk, family: Family): LinkParams {
  const base = defaultAsk(family);
  const weights = pairsText(ask.preferences.weights);
  const habits = pairsText(ask.preferences.habits);
  return {
    in: ask.tonic,
    play: ask.scale,
    ...(spanText(ask.span) === spanText(base.span) ? {} : { span: spanText(ask.span) }),
    ...(ask.direction === base.direction ? {} : { dir: ask.direction }),
    ...(ask.chord === base.chord ? {} : { chord: String(ask.chord) }),
    ...(ask.layer === base.layer ? {} : { layer: ask.layer }),
    ...(ask.pattern === base.pattern ? {} : { as: ask.pattern }),
    ...(ask.preferences.preset === base.preferences.preset ? {} : { with: ask.preferences.preset }),
    ...(weights ? { weigh: weights } : {}),
    ...(habits ? { habit: habits } : {}),
    ...(ask.pins.length > 0 ? { pin: ask.pins.map((p) => `${p.index}:${p.wayId}`).join(',') } : {}),
  };
}

/**
 * Reads link parameters. What cannot be understood is replaced by the default and reported, so that a mistyped or old
 * link still opens.
 * @param home the key taken where the link names none: the instrument's own
 */
export function askFromLink(
  params: LinkParams,
  family: Family,
  home: PitchClass = 0,
): { ask: Ask; problems: readonly Problem[] } {
  const base = defaultAsk(family, home);
  const written: StoredAsk = {
    tonic: params['in'] ?? base.tonic,
    scale: params['play'] ?? base.scale,
    span: readSpan(params['span']) ?? base.span,
    direction: (params['dir'] ?? base.direction) as StoredAsk['direction'],
    chord: Number(params['chord'] ?? base.chord),
    layer: (params['layer'] ?? base.layer) as StoredAsk['layer'],
    pattern: (params['as'] ?? base.pattern) as StoredAsk['pattern'],
    preferences: {
      preset: params['with'] ?? base.preferences.preset,
      weights: readWeights(params['weigh']),
      habits: readPairs(params['habit']),
    },
    pins: readPins(params['pin']),
  };
  const checked = checkAsk(family, written);
  if (checked.ok) return { ask: checked.value, problems: [] };
  const mended: Record<string, unknown> = { ...written };
  for (const problem of checked.problems) {
    const field = problem.field.split('.')[0] as keyof StoredAsk;
    mended[field] = base[field];
  }
  const again = checkAsk(family, mended);
  if (!again.ok) throw new Error(`askFromLink: the default ask is wrong: ${again.problems[0]!.message}`);
  return { ask: again.value, problems: checked.problems };
}

function spanText(span: Span): string {
  if (span.kind === 'reach') return 'all';
  if (span.kind === 'octaves') return String(span.octaves);
  const code = (pitch: number) => pitchText(pitch).replace(/^[A-G][♯♭]*/u, noteCode(flatName(pitch)));
  return `${code(span.low)}-${code(span.high)}`;
}

function readSpan(text: string | undefined): Span | undefined {
  if (text === undefined) return undefined;
  if (text === 'all') return { kind: 'reach' };
  const [low, high] = text.split('-').map((part) => parsePitch(part));
  if (low?.ok && high?.ok) return { kind: 'between', low: low.value, high: high.value };
  return { kind: 'octaves', octaves: Number(text) };
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

function readPins(text: string | undefined): StoredAsk['pins'] {
  const items = (text ?? '').split(',').filter((item) => item !== '');
  return items.map((item) => ({ index: Number(item.split(':')[0]), wayId: item.split(':')[1] ?? '' }));
}
