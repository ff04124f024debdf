/** Something outside the program keeps it from starting; the message tells the user what to do. */
export class StartError extends Error {
  override name = 'StartError';
}
