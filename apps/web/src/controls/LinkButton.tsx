import type { ReactNode } from 'react';

interface LinkButtonProps {
  readonly onClick: () => void;
  /** For readers, where the words alone do not say what it is about. */
  readonly label?: string | undefined;
  readonly title?: string | undefined;
  /** The one of several that holds. */
  readonly current?: boolean;
  /** Switched on. */
  readonly pressed?: boolean;
  /** What it opens is open. */
  readonly expanded?: boolean;
  readonly disabled?: boolean;
  readonly children: ReactNode;
}

/** A button that reads like a link within a sentence. */
export function LinkButton(props: LinkButtonProps) {
  const { onClick, label, title, current, pressed, expanded, disabled, children } = props;
  return (
    <button
      type="button"
      className="link"
      title={title}
      disabled={disabled}
      aria-label={label}
      aria-current={current}
      aria-pressed={pressed}
      aria-expanded={expanded}
      onClick={onClick}
    >
      {children}
    </button>
  );
}
