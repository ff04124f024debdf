import type { ReactNode } from 'react';

interface LinkButtonProps {
  readonly onClick: () => void;
  /** For readers, where the words alone do not say what it is about. */
  readonly label?: string;
  /** The one of several that holds. */
  readonly current?: boolean;
  readonly children: ReactNode;
}

/** A button that reads like a link within a sentence. */
export function LinkButton({ onClick, label, current, children }: LinkButtonProps) {
  return (
    <button
      type="button"
      className="link"
      onClick={onClick}
      {...(label !== undefined && { 'aria-label': label })}
      {...(current !== undefined && { 'aria-current': current })}
    >
      {children}
    </button>
  );
}
