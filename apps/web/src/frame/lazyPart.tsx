import Button from '@mui/material/Button';
import { useEffect, useState, type ComponentType } from 'react';
import { Loading } from '../controls/Loading.tsx';

/** How long after the page stands its other parts are fetched, in ms: what was asked for goes first. */
const AHEAD_MS = 4_000;

const parts: (() => Promise<unknown>)[] = [];

/**
 * Has a part of the application fetched once the page stands, so that a server gone later takes nothing away.
 * @param load fetches it; asked again it fetches what could not be had
 */
export function prefetched<T>(load: () => Promise<T>): () => Promise<T> {
  parts.push(load);
  return load;
}

/** Fetches all such parts, one after the other; one that cannot be had now is fetched when it is asked for. */
async function fetchAhead(): Promise<void> {
  for (const load of parts) await load().catch(() => undefined);
}

export function useFetchAhead(): void {
  useEffect(() => {
    const timer = window.setTimeout(() => void fetchAhead(), AHEAD_MS);
    return () => window.clearTimeout(timer);
  }, []);
}

interface LazyPartOptions {
  /** Placeholder while it loads; none by default. */
  readonly opening?: string;
  /** Something else on the page says that it could not be fetched. */
  readonly quiet?: boolean;
}

/**
 * A component that is fetched when it is first shown, or ahead. Where it cannot be fetched, its own place says so and
 * offers to try again; the page around it stays.
 * @param what after “cannot be shown”: `The staff`
 */
export function lazyPart<Props extends object>(
  what: string,
  load: () => Promise<ComponentType<Props>>,
  { opening, quiet = false }: LazyPartOptions = {},
): ComponentType<Props> {
  let loaded: ComponentType<Props> | undefined;
  const fetched = prefetched(async () => (loaded ??= await load()));
  return function Later(props: Props) {
    const [Part, setPart] = useState(() => loaded);
    const [failed, setFailed] = useState(false);
    const [tries, setTries] = useState(0);
    useEffect(() => {
      let here = true;
      const show = (part: ComponentType<Props>) => here && setPart(() => part);
      fetched().then(show, () => here && setFailed(true));
      return () => {
        here = false;
      };
    }, [tries]);
    if (Part) return <Part {...props} />;
    if (failed && quiet) return null;
    if (!failed) return opening === undefined ? null : <Loading>{opening}</Loading>;
    const again = () => {
      setFailed(false);
      setTries(tries + 1);
    };
    return (
      <p role="alert" className="later-failed">
        {what} cannot be shown: the Same Song server does not answer.{' '}
        <Button size="small" variant="outlined" onClick={again}>
          Try again
        </Button>
      </p>
    );
  };
}
