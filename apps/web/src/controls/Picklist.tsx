import InputBase from '@mui/material/InputBase';
import NativeSelect from '@mui/material/NativeSelect';
import './controls.css';

interface PicklistProps<Id extends string> {
  readonly label: string;
  /** The label is spoken, not shown: what is chosen says enough. */
  readonly silent?: boolean;
  readonly title?: string;
  readonly value: Id;
  readonly choices: readonly { readonly id: Id; readonly label: string }[];
  readonly onChange: (id: Id) => void;
}

/** One of a few, from a list that opens as the device's own lists do. */
export function Picklist<Id extends string>(props: PicklistProps<Id>) {
  const { label, silent = false, title, value, choices, onChange } = props;
  return (
    <label className="labelled">
      <span className={silent ? 'unseen' : ''}>{label}</span>
      <NativeSelect
        input={<InputBase />}
        IconComponent={Arrow}
        value={value}
        onChange={(event) => onChange(event.target.value as Id)}
        inputProps={{ title }}
      >
        {choices.map((choice) => (
          <option key={choice.id} value={choice.id}>
            {choice.label}
          </option>
        ))}
      </NativeSelect>
    </label>
  );
}

function Arrow({ className }: { readonly className?: string }) {
  return (
    <svg className={className} viewBox="0 0 12 12" aria-hidden="true">
      <path d="M2 4 6 8.5 10 4" />
    </svg>
  );
}
