import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { closeNotice, useNotice } from './notice.ts';

const SHOWN_MS = 6000;

export function NoticeBar() {
  const notice = useNotice();
  if (!notice) return null;
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
      autoHideDuration={notice.kind === 'error' ? null : SHOWN_MS}
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
