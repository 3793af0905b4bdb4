/** Below the two million bytes that the server takes at once, with room for what stands around the changes. */
const mostBytes = 1_500_000;
const mostChanges = 100;
const encoder = new TextEncoder();

/** Those of the waiting changes that are sent together, in their order: as many as go at once, and at least one. */
export function nextBatch<C>(waiting: readonly C[]): C[] {
  const batch: C[] = [];
  let bytes = 0;
  for (const change of waiting.slice(0, mostChanges)) {
    bytes += encoder.encode(JSON.stringify(change)).length;
    if (batch.length > 0 && bytes > mostBytes) break;
    batch.push(change);
  }
  return batch;
}
