import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import { fitOnePage } from './onePage.ts';

/** Whether the page is being put onto paper: what stands only there is drawn then, and fitted to it. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const begin = () => {
      flushSync(() => setPrinting(true));
      fitOnePage();
    };
    const end = () => setPrinting(false);
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
    };
  }, []);
  return printing;
}
