/** Whether a failure is that of a part of the interface that could not be fetched. */
export function isLost(error: Error): boolean {
  return /dynamically imported module|module script/i.test(error.message);
}
