/** `4 May 2026, 18:30`, as the device writes it. @param at ISO time */
export function whenWords(at: string): string {
  return new Date(at).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
}
