import Button from '@mui/material/Button';
import './controls.css';

interface SignButtonProps {
  /** What it does, for readers; shown as its title. */
  readonly label: string;
  readonly sign: string;
  readonly title?: string;
  readonly disabled?: boolean;
  readonly onClick: () => void;
}

/** A small button with a sign instead of words. */
export function SignButton({ label, sign, title = label, disabled = false, onClick }: SignButtonProps) {
  return (
    <Button
      className="sign-button"
      variant="outlined"
      aria-label={label}
      title={title}
      disabled={disabled}
      onClick={onClick}
    >
      {sign}
    </Button>
  );
}
