import { useNavigate } from 'react-router';
import type { MapView, Pin } from '@same-song/core/route';
import { useAskAlternatives } from '../compute/compute.ts';
import { notify } from '../frame/notice.ts';
import { useShortcuts } from '../frame/shortcuts.ts';
import { pinAsItIs } from './pinAsItIs.ts';
import { noteSelection, readSelection, waySelection } from './selection.ts';
import type { QuestionState } from '../question/useQuestion.ts';

interface MapKeys {
  readonly state: QuestionState;
  readonly view: MapView;
  readonly pin: (pin: Pin) => void;
  readonly unpin: (noteId: string) => void;
  readonly hear: (hz: number) => void;
  readonly togglePlay: () => void;
}

const CHOOSE_FIRST = 'Choose a note of the line first, with ← and →.';

/** Arrows walk the line and the ways, P pins, A takes the next other way, N sounds the note, Space plays all. */
export function useMapKeys({ state, view, pin, unpin, hear, togglePlay }: MapKeys): void {
  const navigate = useNavigate();
  const ask = useAskAlternatives();
  const selected = () => readSelection(view, state.current().at);
  const walk = (step: number) => {
    const { note } = selected();
    const from = note?.index ?? (step > 0 ? -1 : view.line.length);
    const to = view.line[Math.max(0, Math.min(view.line.length - 1, from + step))];
    if (to) state.select(noteSelection(to.id));
  };
  const walkWays = (step: number) => {
    const { way } = selected();
    const rising = [...view.ways].sort((a, b) => a.pitch - b.pitch);
    const from = way ? rising.findIndex((w) => w.id === way.id) : step > 0 ? -1 : rising.length;
    const to = rising[Math.max(0, Math.min(rising.length - 1, from + step))];
    if (to) state.select(waySelection(to.id));
  };
  const togglePin = () => {
    const { note } = selected();
    if (!note?.wayId) notify(CHOOSE_FIRST);
    else if (note.pinned) unpin(note.id);
    else pin(pinAsItIs(note, note.wayId));
  };
  const nextWay = async () => {
    const { note } = selected();
    const { chosen } = state;
    if (!note || !chosen) return notify(CHOOSE_FIRST);
    const [other] = await ask(chosen, state.current().question, note.id);
    if (other) pin({ noteId: note.id, wayId: other.wayId });
    else notify('This note has no other way.');
  };
  const hearSelected = () => {
    const { note, way } = selected();
    const sound = way ?? note;
    if (sound) hear(sound.hz);
  };
  const { settings, changeSettings } = state;
  const toggleStaff = () => changeSettings({ staff: !settings.staff });
  const record = state.chosen?.record;
  const group = 'The line';
  useShortcuts([
    { key: 'ArrowRight', repeats: true, label: 'Next note', group, run: () => walk(1) },
    { key: 'ArrowLeft', repeats: true, label: 'Note before', group, run: () => walk(-1) },
    {
      key: 'ArrowUp',
      repeats: true,
      label: 'Next higher way on the instrument',
      group,
      run: () => walkWays(1),
    },
    {
      key: 'ArrowDown',
      repeats: true,
      label: 'Next lower way on the instrument',
      group,
      run: () => walkWays(-1),
    },
    { key: 'p', label: 'Pin the note as it is, or let it go', group, run: togglePin },
    { key: 'a', label: 'Take another way and pin it', group, run: () => void nextWay() },
    { key: 'n', label: 'Hear the note', group, run: hearSelected },
    { key: ' ', label: 'Play the line, or stop', group, run: togglePlay },
    { key: 'f', label: 'The line as notes on a staff too, or no longer', group, run: toggleStaff },
    { key: 'Escape', label: 'Nothing selected', group, run: () => state.select(undefined) },
    {
      key: 'e',
      label: 'Edit this instrument',
      group: 'The question',
      run: () => void navigate(record ? `/cabinet/${record.id}` : '/cabinet'),
    },
  ]);
}
