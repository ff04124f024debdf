import Checkbox from '@mui/material/Checkbox';
import './controls.css';

interface CheckProps {
  readonly label: string;
  /** What it is called where the label alone does not say enough. */
  readonly name?: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}

/** A box to tick, with its word behind it. */
export function Check({ label, name, checked, onChange }: CheckProps) {
  return (
    <label className="labelled">
      <Checkbox
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
        icon={<Box />}
        checkedIcon={<Box ticked />}
        {...(name ? { slotProps: { input: { 'aria-label': name } } } : {})}
      />
      {label}
    </label>
  );
}

function Box({ ticked = false }: { readonly ticked?: boolean }) {
  return (
    <svg className="mark" viewBox="0 0 20 20" aria-hidden="true">
      <rect x="1" y="1" width="18" height="18" rx="4" />
      {ticked && <path d="M4.5 10.5 8.5 14.5 15.5 5.5" />}
    </svg>
  );
}
