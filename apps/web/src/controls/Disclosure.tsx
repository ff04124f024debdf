import type { ReactNode } from 'react';

interface DisclosureProps {
  readonly summary: ReactNode;
  readonly className?: string;
  /** Open from the beginning. */
  readonly open?: boolean;
  readonly onToggle?: (open: boolean) => void;
  readonly children: ReactNode;
}

/** Something that is shown when its head is pressed. */
export function Disclosure({ summary, className, open = false, onToggle, children }: DisclosureProps) {
  return (
    <details className={className} open={open} onToggle={(event) => onToggle?.(event.currentTarget.open)}>
      <summary>{summary}</summary>
      {children}
    </details>
  );
}
