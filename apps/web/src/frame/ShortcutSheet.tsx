import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useSettings } from '../api/settings.ts';
import { Check } from '../controls/Check.tsx';
import { keyText, useAllShortcuts } from './shortcuts.ts';

/** Every key in force right now, by group. */
export function ShortcutSheet({ onClose }: { onClose: () => void }) {
  const shortcuts = useAllShortcuts();
  const { settings, change } = useSettings();
  const groups = [...new Set(shortcuts.map((s) => s.group))].reverse();
  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Shortcuts</DialogTitle>
      <DialogContent className="key-sheet" tabIndex={0}>
        {groups.map((group) => (
          <section key={group}>
            <h3>{group}</h3>
            <dl>
              {shortcuts
                .filter((s) => s.group === group)
                .map((s) => (
                  <div key={keyText(s)}>
                    <dt>
                      <kbd>{keyText(s)}</kbd>
                    </dt>
                    <dd>{s.label}</dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </DialogContent>
      <DialogActions>
        <Check
          label="Single letters, digits and signs are shortcuts"
          checked={settings.singleKeys}
          onChange={(singleKeys) => change({ singleKeys })}
        />
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
