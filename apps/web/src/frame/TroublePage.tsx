import Button from '@mui/material/Button';
import { Link, useLocation, useNavigate, useRouteError } from 'react-router';

/** Shown where a page failed, or could not be fetched: what happened and the next step. */
export function TroublePage() {
  const error = useRouteError();
  const location = useLocation();
  const navigate = useNavigate();
  const text = error instanceof Error ? error.message : String(error);
  if (isFetching(error))
    return (
      <div className="trouble">
        <h1>This page could not be fetched</h1>
        <p>The Same Song server does not answer. Pages that were open before still work; nothing is lost.</p>
        <Button variant="contained" onClick={() => void navigate(location, { replace: true })}>
          Try again
        </Button>{' '}
        <Button variant="outlined" onClick={() => void navigate(-1)}>
          Back
        </Button>
      </div>
    );
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

/** Browsers say in words of their own that a part of the application could not be fetched. */
function isFetching(error: unknown): boolean {
  return error instanceof Error && /import|fetch|preload|module/i.test(error.message);
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
