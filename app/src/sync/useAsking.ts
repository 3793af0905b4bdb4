import { useRecords } from './useRecords';

/**
 * Said in place of what only the server knows, until it has answered: zero and "nothing" would be answers.
 * @param what what is asked for, as the end of the sentence: "for this month"
 */
export function useAsking(what = ''): string {
  const connection = useRecords((state) => state.connection);
  return connection === 'offline'
    ? 'This comes from the server, and there is no connection just now. It comes by itself when there is one; what you mark meanwhile is kept on this device.'
    : `Asking the server${what === '' ? '' : ` ${what}`}…`;
}
