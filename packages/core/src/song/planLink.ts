import type { Family } from '../families/contract.ts';
import { pinText, readPins } from '../route/pinLink.ts';
import type { Fullness, Style } from './accompany.ts';
import type { ChosenFigure } from './figure.ts';
import { checkPlan, plainPlan, type ArrangementPlan, type Decision } from './arrangement.ts';

/** Parameters of links that say how a song is played. */
export const PLAN_PARAMS = Object.freeze(['by', 'mode', 'with', 'adds', 'pin', 'out', 'figures'] as const);

/** A plan as link parameters; what is at its default is left out. */
export function planToLink(plan: ArrangementPlan, family: Family): Record<string, string> {
  const base = plainPlan(family);
  return {
    ...(plan.transpose === undefined ? {} : { by: String(plan.transpose) }),
    ...(plan.mode === undefined ? {} : { mode: plan.mode }),
    ...(plan.preferences.preset === base.preferences.preset ? {} : { with: plan.preferences.preset }),
    ...(plan.adds
      ? { adds: [`${plan.adds.style}-${plan.adds.fullness}`, ...plan.adds.without].join(',') }
      : {}),
    ...(plan.pins.length === 0 ? {} : { pin: plan.pins.map(pinText).join(',') }),
    ...(plan.figures?.length ? { figures: plan.figures.map(figureText).join(',') } : {}),
    ...(plan.decisions.length === 0 ? {} : { out: plan.decisions.map(decisionText).join(',') }),
  };
}

/** Reads link parameters; what cannot be understood is left at its default, part by part. */
export function planFromLink(
  params: Readonly<Record<string, string | undefined>>,
  family: Family,
): ArrangementPlan {
  const base = plainPlan(family);
  const parts: readonly Partial<ArrangementPlan>[] = [
    params['by'] === undefined ? {} : { transpose: Number(params['by']) },
    params['mode'] === undefined ? {} : { mode: params['mode'] },
    { preferences: { ...base.preferences, preset: params['with'] ?? base.preferences.preset } },
    readAdds(params['adds']),
    { pins: readPins(params['pin']) },
    { decisions: readDecisions(params['out']) },
    params['figures'] ? { figures: readFigures(params['figures']) } : {},
  ];
  return parts.reduce<ArrangementPlan>((plan, part) => {
    const checked = checkPlan(family, { ...plan, ...part });
    return checked.ok ? checked.value : plan;
  }, base);
}

/** `n3:-12`, or `n3:x` for a note that is left out. */
function decisionText(decision: Decision): string {
  return `${decision.noteId}:${decision.kind === 'leave' ? 'x' : decision.by}`;
}

/** `n3~roll`: the note and the ornament. */
function figureText({ noteId, figure }: ChosenFigure): string {
  return [noteId, figure].map((id) => encodeURIComponent(id).replaceAll('~', '%7E')).join('~');
}

function readFigures(text: string): ChosenFigure[] {
  const items = text.split(',').filter((item) => item !== '');
  return items.map((item): ChosenFigure => {
    const [noteId = '', figure = ''] = item.split('~').map(decoded);
    return { noteId, figure };
  });
}

/** What is no code stays as it is; it then names nothing. */
function decoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** `chords-light`, then what is left out of it. */
function readAdds(text: string | undefined): Partial<ArrangementPlan> {
  if (text === undefined) return {};
  const [kind = '', ...without] = text.split(',');
  const [style, fullness] = kind.split('-');
  return { adds: { style: style as Style, fullness: fullness as Fullness, without } };
}

function readDecisions(text: string | undefined): Decision[] {
  const items = (text ?? '').split(',').filter((item) => item !== '');
  return items.map((item): Decision => {
    const at = item.lastIndexOf(':');
    const [noteId, what] = [item.slice(0, at), item.slice(at + 1)];
    return what === 'x' ? { noteId, kind: 'leave' } : { noteId, kind: 'move', by: Number(what) };
  });
}
