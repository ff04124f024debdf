import { Link, useNavigate } from 'react-router';
import { noteText } from '@same-song/core/music';
import { FULLNESSES, inModeIfAny, movedTonic, STYLES } from '@same-song/core/song';
import { songs } from '../../api/records.ts';
import { preferenceChoices } from '../../question/preferenceChoices.ts';
import { among, useSentence } from '../../question/useSentence.ts';
import { WordPicker } from '../../question/WordPicker.tsx';
import {
  COMPANY,
  companyChoices,
  HOW_MUCH,
  howMuch,
  howMuchChoices,
  keyChoice,
  modeChoices,
  OCTAVE_WORDS,
  octaveOf,
  plainKeys,
  scaleName,
} from './sentenceChoices.ts';
import type { SongState } from './useSong.ts';

const WORDS = {
  song: { key: 's', name: 'song' },
  key: { key: 'k', name: 'key' },
  mode: { key: 'm', name: 'mode' },
  instrument: { key: 'i', name: 'instrument' },
  octave: { key: 'o', name: 'octave' },
  preference: { key: 'w', name: 'preference' },
  company: { key: 'e', name: 'company' },
  amount: { key: 'a', name: 'how much' },
};

type Picker = ReturnType<typeof useSentence<keyof typeof WORDS>>;

/** The whole arrangement as one sentence whose words are the controls. */
export function SongSentence({ state }: { state: SongState }) {
  const picker = useSentence(WORDS, 'The song');
  const navigate = useNavigate();
  const { record, plan, by, chosen, cabinet = [], keys = [] } = state;
  const { data: all = [] } = songs.useTitles('kept');
  const tonic = record ? noteText(movedTonic(inModeIfAny(record, plan.mode), by)) : '…';
  const modes = record ? modeChoices(record, plan.mode) : [];
  return (
    <h1 className="question-line">
      <Link className="song-back" to="/songs" aria-label="All songs" title="All songs">
        ‹
      </Link>{' '}
      Play{' '}
      <WordPicker
        {...picker('song')}
        word={record?.title ?? '…'}
        placeholder="A title …"
        search={among(all.map(({ id, title }) => ({ id, label: title, current: id === record?.id })))}
        onChoose={(id) =>
          void navigate(`/songs/${id}${chosen ? `?on=${encodeURIComponent(chosen.ref)}` : ''}`)
        }
      />{' '}
      in{' '}
      <WordPicker
        {...picker('key')}
        word={tonic}
        placeholder="A key …"
        search={among(keys.length > 0 ? keys.map((fit) => keyChoice(fit, by)) : plainKeys(record))}
        onChoose={(semitones) => state.move(Number(semitones))}
      />{' '}
      {modes.length > 0 && (
        <WordPicker
          {...picker('mode')}
          word={scaleName(plan.mode ?? record!.keys[0]!.scale)}
          placeholder="A mode: minor, Dorian …"
          search={among(modes)}
          onChoose={(id) => state.putInto(id === record!.keys[0]!.scale ? undefined : id)}
        />
      )}{' '}
      on{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('instrument')}
          word={chosen?.spec.name ?? '…'}
          placeholder="A name, a key …"
          search={among(
            cabinet.map(({ id, name, family: of }) => ({
              id,
              label: name,
              about: of,
              current: id === chosen?.ref,
            })),
          )}
          onChoose={(id) => state.play(id)}
        />
        ,
      </span>{' '}
      <HowWords state={state} picker={picker} />
    </h1>
  );
}

/** How it is played: the octave, the preference, the company. */
function HowWords({ state, picker }: { readonly state: SongState; readonly picker: Picker }) {
  const { record, plan, by, family } = state;
  const octave = octaveOf(by);
  const preset = family.preferences.find(({ id }) => id === plan.preferences.preset)!;
  const amount = plan.adds && HOW_MUCH[plan.adds.style][howMuch(plan.adds)];
  return (
    <>
      <span className="question-unbroken">
        <WordPicker
          {...picker('octave')}
          word={OCTAVE_WORDS[String(octave)] ?? `${octave} octaves up`}
          placeholder="An octave …"
          search={among(
            Object.entries(OCTAVE_WORDS).map(([id, label]) => ({
              id,
              label,
              current: Number(id) === octave,
            })),
          )}
          onChoose={(id) => state.move(by + 12 * (Number(id) - octave))}
        />
        ,
      </span>{' '}
      with{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('preference')}
          word={preset.label}
          placeholder="How it is to be played …"
          search={among(preferenceChoices(family, preset.id))}
          onChoose={(id) =>
            state.change('how it is played', { preferences: { ...plan.preferences, preset: id } })
          }
        />
        ,
      </span>{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('company')}
          word={COMPANY[plan.adds?.style ?? 'none'].label}
          placeholder="The melody alone, or with more …"
          search={among(companyChoices(record, plan.adds?.style))}
          onChoose={(id) => {
            const style = STYLES.find((one) => one === id);
            state.add(style && { style, fullness: plan.adds?.fullness ?? 'medium', without: [] });
          }}
        />
        {amount ? ',' : '.'}
      </span>
      {plan.adds && amount && (
        <>
          {' '}
          <span className="question-unbroken">
            <WordPicker
              {...picker('amount')}
              word={amount}
              placeholder="How much of it …"
              search={among(howMuchChoices(plan.adds))}
              onChoose={(id) => {
                const fullness = FULLNESSES.find((one) => one === id);
                if (plan.adds && fullness) state.add({ ...plan.adds, fullness, without: [] });
              }}
            />
            .
          </span>
        </>
      )}
    </>
  );
}
