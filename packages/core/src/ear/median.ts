/** The middle of some numbers, of an even count the mean of the two in the middle. @throws where there is none */
export function median(numbers: readonly number[]): number {
  if (numbers.length === 0) throw new Error('middle: of no numbers');
  const rising = [...numbers].sort((a, b) => a - b);
  const half = Math.floor(rising.length / 2);
  return rising.length % 2 === 1 ? rising[half]! : (rising[half - 1]! + rising[half]!) / 2;
}
