import { useState } from 'react';
import { sungText, type SongNote, type Syllable } from '@same-song/core/song';

interface FieldProps {
  readonly label: string;
  readonly text: string;
  readonly help: string;
  readonly onText: (text: string) => void;
}

/** A line that counts when it is left or Enter is pressed; Escape takes back what was typed. */
function Field({ label, text, help, onText }: FieldProps) {
  /** What stands in the line as long as it is typed in. */
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const done = () => {
    setTyped(undefined);
    if (typed !== undefined && typed.trim() !== text) onText(typed.trim());
  };
  return (
    <div className="note-edits-line">
      <label>
        <span>{label}</span>
        <input
          value={typed ?? text}
          maxLength={100}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={done}
          onKeyDown={(event) => {
            if (event.key === 'Enter') done();
            if (event.key === 'Escape') setTyped(undefined);
          }}
        />
      </label>
      {help && <small>{help}</small>}
    </div>
  );
}

interface ChordProps {
  /** The chord that begins at the note; empty where none does. */
  readonly symbol: string;
  /** The chord that sounds there. */
  readonly holding: string | undefined;
  readonly onChord: (symbol: string) => void;
}

/** The chord from a note on. */
export function ChordHere({ symbol, holding, onChord }: ChordProps) {
  const help = symbol === '' && holding !== undefined ? `${holding} goes on` : 'such as G, Am7, D/F♯';
  return (
    <div className="note-edits-field">
      <Field label="Chord from here" text={symbol} help={help} onText={onChord} />
    </div>
  );
}

interface WordsProps {
  readonly lyrics: NonNullable<SongNote['lyrics']>;
  readonly verses: number;
  readonly onSung: (verse: number, syllable: Syllable | null) => void;
}

/** What is sung on a note, verse by verse; one verse more than there is can be begun. */
export function WordsHere({ lyrics, verses, onSung }: WordsProps) {
  return (
    <div className="note-edits-field">
      {Array.from({ length: verses + 1 }, (_, verse) => (
        <Field
          key={verse}
          label={`Sung here, verse ${verse + 1}`}
          text={sungText(lyrics[verse] ?? null)}
          help={verse === verses ? 'one syllable; lan- where the word goes on' : ''}
          onText={(text) => onSung(verse, syllableOf(text))}
        />
      ))}
    </div>
  );
}

function syllableOf(text: string): Syllable | null {
  const hyphen = text.length > 1 && text.endsWith('-');
  if (text === '') return null;
  return hyphen ? { text: text.slice(0, -1), hyphen } : { text };
}
