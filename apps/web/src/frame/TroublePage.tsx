import Button from '@mui/material/Button';
import type { FallbackProps } from 'react-error-boundary';
import { Link } from 'react-router';

/** Shown where a page failed: what happened and the next step. */
export function TroublePage({ error }: FallbackProps) {
  const text = error instanceof Error ? error.message : String(error);
  return (
    <div className="trouble">
      <h1>This page stumbled</h1>
      <p>
        Nothing that was saved is lost. Load the page again; if it stumbles again, begin with a fresh map.
      </p>
      <p className="trouble-detail">{text}</p>
      <Button variant="contained" onClick={() => window.location.reload()}>
        Load again
      </Button>{' '}
      <Button variant="outlined" href="/map">
        Fresh map
      </Button>
    </div>
  );
}

/** Shown for an address that leads nowhere. */
export function LostPage() {
  return (
    <div className="trouble">
      <h1>There is nothing at this address</h1>
      <p>
        <Link to="/map">Go to Map</Link> or <Link to="/cabinet">to the Cabinet</Link>.
      </p>
    </div>
  );
}
