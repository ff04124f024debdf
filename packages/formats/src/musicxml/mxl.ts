import { fail, ok, type Result } from '@same-song/core';
import { unzipSync } from 'fflate';
import { textOf } from '../text.ts';
import { childrenOf, descend, parseXml } from './xml.ts';

/** What a score may unfold to, in bytes. */
const UNFOLDED_LIMIT = 40_000_000;

/** The score within a compressed file, as its container names it, or the first one where it names none. */
export function scoreInMxl(bytes: Uint8Array): Result<string> {
  let tooBig = false;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      // What is no XML, such as pictures, stays folded.
      filter: ({ name, originalSize }) => {
        if (!/\.(xml|musicxml)$/i.test(name)) return false;
        tooBig ||= originalSize > UNFOLDED_LIMIT;
        return originalSize <= UNFOLDED_LIMIT;
      },
    });
  } catch (error) {
    return fail({
      field: '',
      wrong: '',
      message: `The compressed file cannot be opened (${(error as Error).message}).`,
    });
  }
  if (tooBig)
    return fail({ field: '', wrong: '', message: 'Unfolded, the score would be larger than 40 MB.' });
  const container = files['META-INF/container.xml'];
  const parsed = container && parseXml(textOf(container));
  const named = parsed?.ok
    ? childrenOf(descend(parsed.value, 'rootfiles'), 'rootfile').map(
        ({ attributes }) => attributes['full-path'] ?? '',
      )
    : [];
  const others = Object.keys(files).filter((name) => !name.startsWith('META-INF/'));
  const score = [...named, ...others].map((name) => files[name]).find((file) => file !== undefined);
  return score
    ? ok(textOf(score))
    : fail({ field: '', wrong: '', message: 'There is no score in the compressed file.' });
}
