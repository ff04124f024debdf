import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { familyById, type Family } from '@same-song/core/instruments';
import { questionToLink } from '@same-song/core/route';
import { fieldMessage } from '../api/client.ts';
import { questions, instruments, type QuestionRecord } from '../api/records.ts';
import { remember } from '../frame/undo.ts';
import { useRecordActions } from '../frame/useRecordActions.ts';
import { sentence } from '../question/questionWords.ts';
import type { QuestionState } from '../question/useQuestion.ts';

interface KeptQuestionsProps {
  readonly state: QuestionState;
  readonly title: string;
  readonly onOpened: () => void;
}

/** A form to keep the question on screen under a name, and those kept before. */
export function KeptQuestions({ state, title, onOpened }: KeptQuestionsProps) {
  return (
    <div className="kept">
      <KeepForm state={state} title={title} />
      <KeptList onOpened={onOpened} />
    </div>
  );
}

function KeepForm({ state, title }: { state: QuestionState; title: string }) {
  const { chosen } = state;
  const [name, setName] = useState('');
  const { keep, busy, error } = useRecordActions(questions);
  if (!chosen?.record || chosen.todo.length > 0) {
    const first = chosen?.record
      ? 'set its instrument so in the cabinet'
      : 'put its instrument into the cabinet';
    return <p className="verdict-plain">To keep this question, {first} first.</p>;
  }
  const { record } = chosen;
  const keepIt = () =>
    keep(
      { name: name.trim() || title.slice(0, 120), instrumentId: record.id, question: state.question },
      {
        label: (kept) => `keeping “${kept.name}”`,
        notice: (kept) => `Kept “${kept.name}”.`,
        onKept: () => setName(''),
      },
    );
  return (
    <form
      className="keep-form"
      aria-label="Keep this question"
      onSubmit={(event) => {
        event.preventDefault();
        keepIt();
      }}
    >
      <TextField
        size="small"
        label="Name for this question"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={error !== null}
        helperText={error ? (fieldMessage(error, 'name') ?? error.message) : ' '}
        fullWidth
      />
      <Button type="submit" variant="contained" disabled={busy}>
        Keep
      </Button>
    </form>
  );
}

function KeptList({ onOpened }: { onOpened: () => void }) {
  const { data, isError } = questions.useList();
  const { data: cabinet = [] } = instruments.useList();
  if (isError) return <p className="verdict-plain">The kept questions cannot be read right now.</p>;
  if (!data || data.length === 0)
    return <p className="verdict-plain">None yet. Keep this one to find it again tomorrow.</p>;
  return (
    <ul className="kept-list bare">
      {data.map((kept) => {
        const instrument = cabinet.find((i) => i.id === kept.instrumentId);
        const family = familyById(instrument?.family ?? '');
        if (!instrument || !family) return null;
        return (
          <KeptRow
            key={kept.id}
            kept={kept}
            instrument={instrument.name}
            family={family}
            onOpened={onOpened}
          />
        );
      })}
    </ul>
  );
}

interface KeptRowProps {
  readonly kept: QuestionRecord;
  readonly instrument: string;
  readonly family: Family;
  readonly onOpened: () => void;
}

function KeptRow({ kept, instrument, family, onOpened }: KeptRowProps) {
  const navigate = useNavigate();
  const { moveToBin } = useRecordActions(questions);
  const preference = family.preferences.find((p) => p.id === kept.question.preferences.preset)?.label ?? '';
  const link = `/map?${new URLSearchParams({ on: kept.instrumentId, ...questionToLink(kept.question, family) }).toString()}`;
  const open = () => {
    const before = `${window.location.pathname}${window.location.search}`;
    void navigate(link);
    remember({ label: `opening “${kept.name}”`, undo: () => navigate(before), redo: () => navigate(link) });
    onOpened();
  };
  return (
    <li>
      <button type="button" className="kept-open" onClick={open}>
        <b>{kept.name}</b>
        <span className="below">{sentence(kept.question, instrument, preference)}</span>
      </button>
      <Button
        size="small"
        variant="text"
        onClick={() => moveToBin(kept)}
        aria-label={`Put “${kept.name}” into the bin`}
      >
        Bin
      </Button>
    </li>
  );
}
