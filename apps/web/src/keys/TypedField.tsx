import { useState } from 'react';
import type { KeysViewProps } from './keysView.ts';

/** A text of the link as it is being typed. */
export interface TypedParam {
  readonly text: string;
  readonly setText: (text: string) => void;
  /** Puts what was typed into the link. */
  readonly keep: () => void;
  /** Puts another text into the field and the link. */
  readonly take: (text: string) => void;
}

/** @param what is changed by it, for undo @param usual stands there while the link has none */
export function useTypedParam(
  { param, setParam }: KeysViewProps['state'],
  name: string,
  what: string,
  usual = '',
): TypedParam {
  const kept = param(name) || usual;
  const [text, setText] = useState(kept);
  const [seen, setSeen] = useState(kept);
  // Undo, another key and the way back in the browser bring back what stood there.
  if (kept !== seen) {
    setSeen(kept);
    setText(kept);
  }
  const take = (next: string) => {
    setText(next);
    setParam(name, next, what);
  };
  return { text, setText, take, keep: () => setParam(name, text, what) };
}

interface TypedFieldProps {
  readonly typed: TypedParam;
  readonly placeholder: string;
  readonly maxLength: number;
  readonly isWrong: boolean;
}

/** A field whose text is kept in the link when it is left, or with Enter. */
export function TypedField({ typed, placeholder, maxLength, isWrong }: TypedFieldProps) {
  return (
    <input
      value={typed.text}
      placeholder={placeholder}
      maxLength={maxLength}
      aria-invalid={isWrong}
      onChange={(event) => typed.setText(event.target.value)}
      onBlur={typed.keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') typed.keep();
      }}
    />
  );
}
