/** Pieces of MusicXML scores, for tests that write them by hand. */

/** A pitch as in `F#4`, `Bb3`; in quarters of `divisions` 12. */
export function note(pitch: string, quarters = 1, inner = ''): string {
  const [, step, sign, octave] = /^([A-G])([#b]*)(\d)$/.exec(pitch)!;
  const alter = sign === '' ? '' : `<alter>${sign![0] === '#' ? sign!.length : -sign!.length}</alter>`;
  const [before = '', after = ''] = inner.split('~');
  return `<note>${before}<pitch><step>${step}</step>${alter}<octave>${octave}</octave></pitch><duration>${12 * quarters}</duration>${after}</note>`;
}
export const rest = (quarters: number, attributes = '') =>
  `<note><rest${attributes}/><duration>${12 * quarters}</duration></note>`;
export const grace = (pitch: string) => note(pitch, 1, '<grace/>').replace(/<duration>\d+<\/duration>/, '');
export const START =
  '<attributes><divisions>12</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';
export const measures = (...contents: readonly string[]) =>
  contents.map((content, i) => `<measure number="${i + 1}">${content}</measure>`).join('');
export const score = (parts: Readonly<Record<string, string>>, list = '') =>
  `<?xml version="1.0" encoding="UTF-8"?>
<!DOCTYPE score-partwise PUBLIC "-//Somebody//DTD Partwise 3.1//EN" "partwise.dtd">
<score-partwise version="3.1"><work><work-title>Trial</work-title></work><part-list>${Object.keys(parts)
    .map((id) => `<score-part id="${id}"><part-name>${id}</part-name>${list}</score-part>`)
    .join('')}</part-list>${Object.entries(parts)
    .map(([id, content]) => `<part id="${id}">${content}</part>`)
    .join('')}</score-partwise>`;
export const one = (...contents: readonly string[]) =>
  score({ P1: measures(START + contents[0]!, ...contents.slice(1)) });
export const left = (inner: string) => `<barline location="left">${inner}</barline>`;
export const right = (inner: string) => `<barline location="right">${inner}</barline>`;
export const AGAIN = right('<repeat direction="backward"/>');
export const words = (text: string) =>
  `<direction><direction-type><words>${text}</words></direction-type></direction>`;
export const sound = (attribute: string) =>
  `<direction><direction-type><words>x</words></direction-type><sound ${attribute}/></direction>`;
export const whole = (pitch: string) => note(pitch, 4);
export const triplet =
  '~<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>';
export const transposing = (chromatic: number, octave = 0, staff = '') =>
  `<attributes><transpose${staff}><diatonic>0</diatonic><chromatic>${chromatic}</chromatic>${octave ? `<octave-change>${octave}</octave-change>` : ''}</transpose></attributes>`;
