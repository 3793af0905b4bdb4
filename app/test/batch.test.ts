import fc from 'fast-check';
import { nextBatch } from '../src/sync/batch';

test('batches have all changes in their order, and none but a single large one is over the bound', () => {
  const change = fc.record({ id: fc.integer(), text: fc.integer({ min: 0, max: 700_000 }) });
  fc.assert(
    fc.property(fc.array(change, { maxLength: 130 }), (sizes) => {
      const changes = sizes.map(({ id, text }) => ({ id, text: 'é'.repeat(text) }));
      const sent: typeof changes = [];
      for (let left = changes; left.length > 0; left = left.slice(nextBatch(left).length)) {
        const batch = nextBatch(left);
        expect(batch.length).toBeGreaterThan(0);
        expect(batch.length).toBeLessThanOrEqual(100);
        if (batch.length > 1) expect(Buffer.byteLength(JSON.stringify(batch))).toBeLessThan(1_600_000);
        sent.push(...batch);
      }
      expect(sent).toEqual(changes);
    }),
    { numRuns: 20 },
  );
});
