import * as v from 'valibot';
import type { Family } from '../families/contract.ts';
import { parseProgression } from '../harmony/progression.ts';
import { parseNote } from '../pitch/noteName.ts';
import { checkQuestion, storedQuestion, type StoredQuestion } from '../question/question.ts';
import { ok, type Result } from '../result.ts';
import {
  byId,
  checkedBy,
  checkedElsewhere,
  fields,
  id,
  parse,
  text,
  typedText,
  whole,
  yesOrNo,
} from '../schema.ts';
import { checkPlan } from '../song/arrangement.ts';
import { drillById } from './drill.ts';
import { HOW_TO_PRACTISE } from './howTo.ts';
import { OWN_STAGES } from './jam.ts';

const ROUNDS_LIMIT = 64;

/** What is practised on an instrument of a family. */
function practisedSchema(family: Family) {
  const question = v.pipe(
    v.unknown(),
    checkedBy((stored): Result<StoredQuestion> => {
      const checked = checkQuestion(family, stored);
      return checked.ok ? ok(storedQuestion(checked.value)) : checked;
    }),
  );
  return v.variant(
    'kind',
    [
      /** A line of Map. */
      fields({ kind: v.literal('line'), question }),
      /** A song on the instrument, or a passage of it from one note to another. */
      fields({
        kind: v.literal('song'),
        plan: v.pipe(
          v.unknown(),
          checkedBy((stored) => checkPlan(family, stored)),
        ),
        passage: v.exactOptional(fields({ from: text(60, 1), to: text(60, 1) })),
      }),
      fields({
        kind: v.literal('drill'),
        drill: v.pipe(
          v.string(),
          v.check((id) => drillById(id) !== undefined, 'There is no such drill.'),
        ),
        question,
      }),
      /** A progression to play over. */
      v.pipe(
        fields({
          kind: v.literal('jam'),
          /** Chords as degrees, bar by bar. */
          text: v.pipe(v.string(), v.trim()),
          beats: v.number(),
          question,
          /** How many rounds of each stage, by its id; 0 leaves it out, and what is not named has as many as usual. */
          rounds: v.exactOptional(
            byId(
              whole(0, ROUNDS_LIMIT, `A stage has 0 to ${ROUNDS_LIMIT} rounds.`),
              40,
              'Rounds are counted by stage.',
            ),
          ),
          /** Stages of somebody's own, after those of the family. */
          own: v.exactOptional(OWN_STAGES),
        }),
        checkedBy((jam) => {
          const tonic = parseNote(jam.question.tonic);
          const read = parseProgression('', jam.text, jam.beats, tonic.ok ? tonic.value : undefined);
          return read.ok ? ok(jam) : read;
        }),
      ),
    ],
    'A line, a song, a drill or a jam can be practised.',
  );
}

/** What is played again and again. */
export type Practised = v.InferOutput<ReturnType<typeof practisedSchema>>;

export const ITEM = fields({
  name: typedText('A name', 200, 1),
  instrumentId: id(),
  /** Of a song. */
  songId: v.exactOptional(id()),
  /** For whom it is; for everybody where left out. */
  personId: v.exactOptional(id()),
  /** As `checkPractised` has it. */
  what: checkedElsewhere(),
  how: v.exactOptional(HOW_TO_PRACTISE, {}),
  /** The teacher set it: it comes first. */
  set: v.exactOptional(yesOrNo('It is set or not: true or false.'), false),
});

/** Something to practise, and how. */
export type PracticeItem = Omit<v.InferOutput<typeof ITEM>, 'what'> & { readonly what: Practised };

/** Whether a stored value names what is practised, for the family on which it is. Problem fields are its own. */
export function checkPractised(family: Family, stored: unknown): Result<Practised> {
  return parse(practisedSchema(family), stored);
}
