import Radio from '@mui/material/Radio';

interface OneOfProps {
  /** The same for all of which only one is chosen. */
  readonly group: string;
  readonly name: string;
  readonly checked: boolean;
  readonly onChoose: () => void;
}

/** One of several, of which one is chosen. */
export function OneOf({ group, name, checked, onChoose }: OneOfProps) {
  return (
    <Radio
      name={group}
      checked={checked}
      onChange={onChoose}
      icon={<Ring />}
      checkedIcon={<Ring filled />}
      slotProps={{ input: { 'aria-label': name } }}
    />
  );
}

function Ring({ filled = false }: { readonly filled?: boolean }) {
  return (
    <svg className="mark" viewBox="0 0 20 20" aria-hidden="true">
      <circle cx="10" cy="10" r="9" />
      {filled && <circle className="mark-filled" cx="10" cy="10" r="4.5" />}
    </svg>
  );
}
