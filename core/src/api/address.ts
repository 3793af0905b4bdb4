import type { Given } from './contract';
import { operations, type OperationName } from './operations';

/** The address of an operation, which knows what is answered there. */
export type Address<N extends OperationName = OperationName> = string & { readonly operation?: N };

/** What an address is made of: the parts of the path and of the query, by their names. */
export type AddressParts<N extends OperationName> = Given<N, 'params'> & Given<N, 'query'>;

/** What need not be given where nothing must be. */
type PartsGiven<N extends OperationName> =
  unknown extends AddressParts<N>
    ? []
    : object extends AddressParts<N>
      ? [parts?: AddressParts<N>]
      : [parts: AddressParts<N>];

/** As in `get` and `/api/days/{date}`. */
export function methodAndPath(name: OperationName): { method: 'get' | 'post'; path: string } {
  const [method, path = ''] = operations[name].split(' ');
  return { method: method as 'get' | 'post', path };
}

/**
 * The address of an operation with its parts filled in: those that its path names, the others as its query. A list
 * stands there several times, what is undefined not at all.
 */
export function addressOf<N extends OperationName>(name: N, ...[parts]: PartsGiven<N>): Address<N> {
  const rest = new Map(Object.entries(parts ?? {}));
  const path = methodAndPath(name).path.replace(/\{(\w+)\}/g, (_, part: string) => {
    const value = String(rest.get(part));
    rest.delete(part);
    return encodeURIComponent(value);
  });
  const query = new URLSearchParams();
  for (const [part, value] of rest)
    for (const one of Array.isArray(value) ? value : [value])
      if (one !== undefined) query.append(part, String(one));
  return query.size > 0 ? `${path}?${query.toString()}` : path;
}
