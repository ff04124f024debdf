import { lazyPart } from './lazyPart.tsx';
import { useNotice } from './notice.ts';

const NoticeSnack = lazyPart('What was said', async () => (await import('./NoticeSnack.tsx')).NoticeSnack);

/** The short message at the foot of the screen, while there is one. */
export function NoticeBar() {
  const notice = useNotice();
  return notice ? <NoticeSnack notice={notice} /> : null;
}
