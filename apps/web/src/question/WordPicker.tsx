import InputBase from '@mui/material/InputBase';
import Popover from '@mui/material/Popover';
import {
  useEffect,
  useEffectEvent,
  useId,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactNode,
} from 'react';
import './question.css';

/** One thing that a word of the question line can be. */
export interface Choice {
  readonly id: string;
  readonly label: string;
  readonly about?: string;
  readonly group?: string;
  /** Spoken of as chosen now. */
  readonly current?: boolean;
}

interface WordPickerProps {
  /** What the word is, e.g. `scale`. */
  readonly name: string;
  /** The word as it stands in the sentence. */
  readonly word: string;
  readonly shortcut: string;
  /** Choices for a typed text, best first; with an error the text is not understood. */
  readonly search: (text: string) => {
    readonly choices: readonly Choice[];
    readonly error?: string | undefined;
  };
  readonly placeholder: string;
  readonly onChoose: (id: string, typed: string) => void;
  /** Told of what is likely to be chosen next: where a typed text or an arrow has led, or where the pointer goes down. */
  readonly onConsider?: (id: string, typed: string) => void;
  readonly open: boolean;
  readonly onOpen: (open: boolean) => void;
  readonly footer?: ReactNode;
}

/** A word of a sentence that opens a typed search; arrows move, Enter takes, Escape leaves all as it was. */
export function WordPicker(props: WordPickerProps) {
  const { name, word, shortcut, open, onOpen } = props;
  const button = useRef<HTMLButtonElement>(null);
  return (
    <>
      <button
        ref={button}
        type="button"
        className="question-word"
        aria-haspopup="listbox"
        aria-expanded={open}
        aria-label={`${name}: ${word}`}
        title={`Change the ${name} (${shortcut.toUpperCase()})`}
        onClick={() => onOpen(true)}
      >
        {word}
      </button>
      <PickerPopover {...props} anchor={() => button.current} />
    </>
  );
}

interface PickerPopoverProps extends Omit<WordPickerProps, 'word' | 'shortcut'> {
  /** What it hangs from. */
  readonly anchor: () => HTMLElement | null;
}

/** The typed search by itself, hanging from any element; not there at all while it is closed. */
export function PickerPopover(props: PickerPopoverProps) {
  const { name, anchor, open, onOpen } = props;
  if (!open) return null;
  return (
    <Popover
      open
      anchorEl={() => anchor()!}
      onClose={() => onOpen(false)}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      transitionDuration={0}
      disableScrollLock
      slotProps={{ paper: { 'aria-label': `Choose the ${name}`, role: 'dialog' } as object }}
    >
      <Search {...props} />
    </Popover>
  );
}

/** What is typed into a search, the choices that answer it, and which of them Enter takes. */
function useSearch({ search, onChoose, onConsider, onOpen }: PickerPopoverProps) {
  const [text, setText] = useState('');
  const { choices, error } = search(text);
  const start =
    text === ''
      ? Math.max(
          0,
          choices.findIndex((choice) => choice.current),
        )
      : 0;
  const [moved, setMoved] = useState<number | undefined>(undefined);
  const active = Math.min(moved ?? start, choices.length - 1);
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.querySelector('[data-active]')?.scrollIntoView({ block: 'nearest' });
  }, [active, text]);
  const likely = text === '' && moved === undefined ? undefined : choices[active]?.id;
  const consider = useEffectEvent((id: string) => onConsider?.(id, text));
  useEffect(() => {
    if (likely !== undefined) consider(likely);
  }, [likely]);
  const take = (choice: Choice | undefined) => {
    if (!choice) return;
    // The next key is a shortcut already, even before the picker has left the screen.
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
    onOpen(false);
    onChoose(choice.id, text);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const steps: Record<string, number> = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 };
    const step = steps[event.key];
    if (step !== undefined) {
      event.preventDefault();
      setMoved(Math.max(0, Math.min(choices.length - 1, active + step)));
    } else if (event.key === 'Enter') {
      event.preventDefault();
      take(choices[active]);
    }
  };
  const type = (typed: string) => {
    setText(typed);
    setMoved(undefined);
  };
  return { text, type, choices, error, active, list, take, onKeyDown };
}

function Search(props: PickerPopoverProps) {
  const { name, placeholder, onConsider, footer } = props;
  const { text, type, choices, error, active, list, take, onKeyDown } = useSearch(props);
  const listId = useId();
  return (
    <div className="picker">
      <InputBase
        autoFocus
        fullWidth
        value={text}
        placeholder={placeholder}
        onChange={(event) => type(event.target.value)}
        onKeyDown={onKeyDown}
        error={error !== undefined}
        inputProps={{
          'aria-label': `Type to find the ${name}`,
          role: 'combobox',
          'aria-expanded': true,
          'aria-controls': listId,
          'aria-activedescendant': choices[active] ? `${listId}-${active}` : undefined,
          maxLength: 200,
        }}
        className="picker-input"
      />
      {error && (
        <p className="picker-error" role="alert">
          {error}
        </p>
      )}
      {!error && choices.length === 0 && (
        <p className="picker-none">Nothing fits “{text}”. Try fewer letters.</p>
      )}
      <ul ref={list} id={listId} role="listbox" aria-label={name} className="picker-list bare">
        {choices.map((choice, index) => (
          <PickerRow
            key={choice.id}
            id={`${listId}-${index}`}
            choice={choice}
            heading={text === '' && choice.group !== choices[index - 1]?.group ? choice.group : undefined}
            active={index === active}
            onTake={() => take(choice)}
            onRest={() => onConsider?.(choice.id, text)}
          />
        ))}
      </ul>
      {footer}
    </div>
  );
}

interface PickerRowProps {
  readonly id: string;
  readonly choice: Choice;
  readonly heading: string | undefined;
  readonly active: boolean;
  readonly onTake: () => void;
  readonly onRest: () => void;
}

function PickerRow({ id, choice, heading, active, onTake, onRest }: PickerRowProps) {
  return (
    <>
      {heading && (
        <li role="presentation" className="picker-group">
          {heading}
        </li>
      )}
      <li
        id={id}
        role="option"
        aria-selected={active}
        data-active={active ? '' : undefined}
        className="picker-choice"
        onClick={onTake}
        onPointerDown={onRest}
      >
        <span>
          {choice.label}
          {choice.current && <span className="soft"> · now</span>}
        </span>
        {choice.about && <span className="below">{choice.about}</span>}
      </li>
    </>
  );
}
