import { LinkButton } from './LinkButton.tsx';

interface MoreRowsProps {
  readonly shown: number;
  readonly total: number;
  /** What is listed: `songs`. */
  readonly what: string;
  readonly onMore: () => void;
}

/** Under a list that is cut: how much of it is shown, and the way to more; nothing where all is. */
export function MoreRows({ shown, total, what, onMore }: MoreRowsProps) {
  if (shown >= total) return null;
  return (
    <p role="status">
      {shown} of {total} {what} are shown. <LinkButton onClick={onMore}>show more</LinkButton>
    </p>
  );
}
