/** What is played one after the other, as the link of the player has it: `id:minutes`, apart by commas. */
export interface Step {
  readonly id: string;
  readonly minutes: number;
}

/** The player with a first item and those that follow it. @param steps one at least */
export function playLink(steps: readonly Step[]): string {
  const [first, ...then] = steps;
  const rest = then.map(({ id, minutes }) => `${id}:${minutes}`).join(',');
  const query = new URLSearchParams({ for: String(first!.minutes), ...(rest && { then: rest }) });
  return `/practice/play/${first!.id}?${query.toString()}`;
}

/** What follows, read from a link; what cannot be read is passed over. */
export function readSteps(text: string): readonly Step[] {
  return text.split(',').flatMap((part): Step[] => {
    const [id = '', minutes = ''] = part.split(':');
    return id !== '' && Number(minutes) > 0 ? [{ id, minutes: Number(minutes) }] : [];
  });
}
