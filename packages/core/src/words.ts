/** `1 reed`, `2 reeds`; the plural is given where it is not made with an s. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}
