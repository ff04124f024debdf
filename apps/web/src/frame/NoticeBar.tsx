import { later } from './later.tsx';
import { useNotice } from './notice.ts';

const NoticeSnack = later('What was said', async () => (await import('./NoticeSnack.tsx')).NoticeSnack);

/** The short message at the foot of the screen, while there is one. */
export function NoticeBar() {
  const notice = useNotice();
  return notice ? <NoticeSnack notice={notice} /> : null;
}
