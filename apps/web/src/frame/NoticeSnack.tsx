import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { closeNotice, type Notice } from './notice.ts';

/** How long a message stays, in ms; one that offers something can be reached by the keyboard as well. */
const SHOWN_MS = 6_000;
const OFFERED_MS = 15_000;

export function NoticeSnack({ notice }: { readonly notice: Notice }) {
  const { action } = notice;
  const act = () => {
    closeNotice();
    action?.run();
  };
  return (
    <Snackbar
      key={notice.id}
      open
      className="notice"
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      autoHideDuration={notice.kind === 'error' ? null : action ? OFFERED_MS : SHOWN_MS}
      onClose={(_, reason) => reason !== 'clickaway' && closeNotice()}
      message={notice.text}
      action={
        <>
          {action && (
            <Button size="small" color="inherit" onClick={act}>
              {action.label}
            </Button>
          )}
          <Button size="small" color="inherit" onClick={closeNotice}>
            Close
          </Button>
        </>
      }
    />
  );
}
