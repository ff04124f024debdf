import type { Chord } from '../harmony/chord.ts';
import { layerSemitones, type LayerId } from '../harmony/layer.ts';
import { rolesOf, type Role } from '../harmony/role.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { patternById } from '../route/pattern.ts';
import type { Question } from '../question/question.ts';
import { routingContext, type RoutingContext } from '../route/context.ts';
import { scaleLine, type Limits, type LineNote } from '../route/line.ts';
import { limitsOf } from '../route/range.ts';
import { keyOf, type Key } from '../scale/scale.ts';

/** What a question comes down to on an instrument. */
export function prepareMap(
  base: Instrument,
  question: Question,
): {
  readonly key: Key;
  readonly instrument: Instrument;
  readonly context: RoutingContext;
  /** Lowest and highest pitch of the line; undefined where nothing can be played. */
  readonly limits: Limits | undefined;
  readonly line: readonly LineNote[];
  readonly roles: readonly Role[];
  readonly chords: readonly Chord[];
} {
  const key = keyOf(question.scale, question.tonic);
  const instrument = base.forKey(key);
  const context = routingContext(instrument, question.preferences);
  const chords = question.chords.map(({ chord }) => chord);
  const layer = layerSemitones(question.scale, chords, question.layer);
  const roles = rolesOf(question.scale, chords).map((role, semitone) =>
    hiddenBelow(role, layer.includes(semitone), question.layer),
  );
  const shape = {
    direction: question.direction,
    pattern: patternById(question.pattern),
    anchor: question.anchor,
    semitones: layer,
    ...(instrument.family.isPitchSet && question.range.kind === 'whole' && { has: context.has }),
  };
  const limits = limitsOf(context, key, question.range);
  const line = scaleLine(key, limits, shape);
  return { key, instrument, context, limits, line, roles, chords };
}

/** In the layers below the whole scale, what they do not hold yet stands aside like an outside note. */
function hiddenBelow(role: Role, held: boolean, layer: LayerId): Role {
  return held || layer === 'scale' || layer === 'colour' ? role : 'outside';
}
