import { useState } from 'react';
import './controls.css';

interface NumberFieldProps {
  readonly label: string;
  /** The label is spoken, not shown. */
  readonly silent?: boolean;
  /** Behind the number. */
  readonly unit?: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** Distance between numbers that count; whole numbers by default. */
  readonly step?: number;
  readonly onChange: (value: number) => void;
}

/** A number in a range. What is typed counts as soon as it is one, and may be none meanwhile. */
export function NumberField(props: NumberFieldProps) {
  const { label, silent = false, unit, value, least, most, step = 1, onChange } = props;
  const [typed, setTyped] = useState<string | undefined>(undefined);
  const isWrong = typed !== undefined && numberIn(typed, props) === undefined;
  return (
    <label
      className="labelled number-field"
      title={isWrong ? `A ${step === 1 ? 'whole ' : ''}number from ${least} to ${most}` : undefined}
    >
      <span className={silent ? 'unseen' : ''}>{label}</span>
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        value={typed ?? value}
        aria-invalid={isWrong}
        onChange={(event) => {
          setTyped(event.target.value);
          const read = numberIn(event.target.value, props);
          if (read !== undefined) onChange(read);
        }}
        onBlur={() => setTyped(undefined)}
      />
      {unit}
    </label>
  );
}

function numberIn(
  text: string,
  { least, most, step = 1 }: Pick<NumberFieldProps, 'least' | 'most' | 'step'>,
): number | undefined {
  const value = /^-?\d+(?:[.,]\d+)?$/.test(text) ? Number(text.replace(',', '.')) : NaN;
  return value >= least && value <= most && Number.isInteger(value / step) ? value : undefined;
}
