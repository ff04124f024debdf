/** Hands the user a file made in the browser. */
export function download(name: string, type: string, content: string | Uint8Array): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  window.setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** A file name that every system takes, from any text. */
export function fileName(text: string, ending: string): string {
  const plain = text
    .replaceAll('♯', ' sharp')
    .replaceAll('♭', ' flat')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 80);
  return `${plain || 'same-song'}.${ending}`;
}
