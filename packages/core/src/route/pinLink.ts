import type { Pin } from './pin.ts';

/** A pin as links write it: `64.2:3d1`, with a fingering `64.2:L2.3~Li`. */
export function pinText({ noteId, wayId, fingering }: Pin): string {
  return `${noteId}:${wayId}${fingering === undefined ? '' : `~${fingering}`}`;
}

/** Pins apart by commas; what is no pin becomes one that fits nothing. */
export function readPins(text: string | undefined): readonly Pin[] {
  const items = (text ?? '').split(',').filter((item) => item !== '');
  return items.map((item) => {
    const [noteId = '', way = ''] = item.split(':');
    const [wayId = '', fingering] = way.split('~');
    return { noteId, wayId, ...(fingering === undefined ? {} : { fingering }) };
  });
}
