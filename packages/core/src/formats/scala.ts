import { fail, ok, shown, type Result } from '../result.ts';

/** A tuning as a Scala file holds it. */
export interface ScalaTuning {
  readonly description: string;
  /** Cents above the first pitch, which is 0 and not written in the file. */
  readonly cents: readonly number[];
}

const MOST_NOTES = 200;

/** Writes a tuning; cents with a point, as the format asks. */
export function writeScala({ description, cents }: ScalaTuning): string {
  const line = description.replace(/[\r\n!]+/g, ' ').trim();
  const notes = cents.slice(1).map((c) => ` ${c.toFixed(3)}`);
  return ['! Same Song', '!', line, ` ${notes.length}`, '!', ...notes, ''].join('\n');
}

/** Reads a tuning; pitches may be cents (with a point) or ratios. The problem's position is the line, counted from 0. */
export function parseScala(text: string): Result<ScalaTuning> {
  const lines = text.split(/\r\n|\r|\n/).map((line, number) => ({ line, number }));
  const content = lines.filter(({ line }) => !line.trimStart().startsWith('!'));
  const wrong = (position: number, found: string, message: string) =>
    fail({ field: '', position, wrong: shown(found), message: `Line ${position + 1}: ${message}` });
  const [description, size, ...rest] = content;
  if (!description || !size)
    return wrong(lines.length - 1, text, 'a description and the number of notes are missing.');
  const count = Number(size.line.trim().split(/\s+/)[0]);
  if (!Number.isInteger(count) || count < 1 || count > MOST_NOTES)
    return wrong(size.number, size.line, `the number of notes must be 1 to ${MOST_NOTES}.`);
  const cents = [0];
  for (let i = 0; i < count; i += 1) {
    const entry = rest[i];
    if (!entry || entry.line.trim() === '')
      return wrong(
        entry?.number ?? lines.length - 1,
        entry?.line ?? '',
        `${count} pitches are announced, ${i} are there.`,
      );
    const read = pitchOf(entry.line.trim().split(/\s+/)[0]!);
    if (read === undefined)
      return wrong(entry.number, entry.line, 'a pitch is cents with a point (386.314) or a ratio (5/4).');
    cents.push(read);
  }
  return ok({ description: description.line.trim(), cents: cents.sort((a, b) => a - b) });
}

function pitchOf(text: string): number | undefined {
  if (/^-?\d*\.\d*$/.test(text) && /\d/.test(text)) return Number(text);
  const ratio = /^(\d+)(?:\/(\d+))?$/.exec(text);
  if (!ratio) return undefined;
  const value = Number(ratio[1]) / Number(ratio[2] ?? 1);
  return value > 0 && Number.isFinite(value) ? 1200 * Math.log2(value) : undefined;
}
