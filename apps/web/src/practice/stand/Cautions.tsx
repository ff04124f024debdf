import { useEffect, useState } from 'react';
import { LinkButton } from '../../controls/LinkButton.tsx';

/** Said once while the page is open. */
const said = new Set<string>();
const GENERAL = 'Rest hands and jaw now and then; nothing here should hurt. Keep the volume moderate.';

/** What to mind with what is played: one thing at a time, each once a session. */
export function Cautions({ cautions }: { readonly cautions: readonly string[] }) {
  const [told] = useState(() => [...cautions, GENERAL].find((caution) => !said.has(caution)));
  const [away, setAway] = useState(false);
  useEffect(() => {
    if (told !== undefined) said.add(told);
  }, [told]);
  if (away || told === undefined) return null;
  return (
    <p className="player-caution" role="note">
      {told} <LinkButton onClick={() => setAway(true)}>put away</LinkButton>
    </p>
  );
}
