import { fail, ok, type Result, asError } from '@same-song/core';
import { unzipSync } from 'fflate';
import { textOf } from '../text.ts';
import { childrenOf, descend, parseXml } from './xml.ts';

/** What a score and its container may unfold to, in bytes. */
const UNFOLDED_LIMIT = 40_000_000;
const CONTAINER_LIMIT = 1_000_000;
const CONTAINER = 'META-INF/container.xml';

/**
 * The score within a compressed file, as its container names it, or the first one where it names none. Only these two are
 * unfolded, each within its limit: whatever else the file holds costs nothing.
 */
export function scoreInMxl(bytes: Uint8Array): Result<string> {
  try {
    const names = namesIn(bytes);
    const container = names.includes(CONTAINER) ? unfolded(bytes, CONTAINER, CONTAINER_LIMIT) : undefined;
    const parsed = container && parseXml(textOf(container));
    const rootFiles = parsed?.ok ? childrenOf(descend(parsed.value, 'rootfiles'), 'rootfile') : [];
    const named = rootFiles.map(({ attributes }) => attributes['full-path'] ?? '');
    const others = names.filter((name) => !name.startsWith('META-INF/') && /\.(xml|musicxml)$/i.test(name));
    const score = [...named, ...others].find((name) => names.includes(name));
    if (score === undefined)
      return fail({ field: '', wrong: '', message: 'There is no score in the compressed file.' });
    const found = unfolded(bytes, score, UNFOLDED_LIMIT);
    if (found) return ok(textOf(found));
    return fail({ field: '', wrong: '', message: 'Unfolded, the score would be larger than 40 MB.' });
  } catch (error) {
    const message = `The compressed file cannot be opened (${asError(error).message}).`;
    return fail({ field: '', wrong: '', message });
  }
}

/** Names of the files in a compressed one, none of them unfolded. @throws for what is none */
function namesIn(bytes: Uint8Array): readonly string[] {
  const names: string[] = [];
  unzipSync(bytes, {
    filter: ({ name }) => {
      names.push(name);
      return false;
    },
  });
  return names;
}

/** The first file of a name; undefined where it would be too large. @throws where it is damaged */
function unfolded(bytes: Uint8Array, wanted: string, limit: number): Uint8Array | undefined {
  let taken = false;
  const files = unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      if (taken || name !== wanted || originalSize > limit) return false;
      taken = true;
      return true;
    },
  });
  return files[wanted];
}
