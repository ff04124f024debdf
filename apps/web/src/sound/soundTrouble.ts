import { notify } from '../frame/notice.ts';

/** Says that nothing can be heard. */
export function soundTrouble(): void {
  notify('No sound could be made here. Check the browser’s sound settings.', { kind: 'error' });
}
