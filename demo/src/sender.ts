import { monotonicFactory } from 'ulid';
import { addressOf } from '@slate-path/core/api/address';
import type { ChangeOf, KindName } from '@slate-path/core/changes/schema';
import type { ApiClient } from './apiClient';

/** Collects changes and sends them through the one door, in batches. */
export class Sender {
  private readonly nextUlid = monotonicFactory();
  private waiting: unknown[] = [];

  constructor(private readonly client: ApiClient) {}

  id(at: number): string {
    return this.nextUlid(at);
  }

  async add<K extends KindName>(kind: K, payload: ChangeOf<K>['payload'], at: number): Promise<void> {
    this.waiting.push({ id: this.id(at), kind, payload, madeAt: new Date(at).toISOString(), device: 'demo' });
    if (this.waiting.length >= 200) await this.send();
  }

  async send(): Promise<void> {
    if (this.waiting.length === 0) return;
    const { answers } = await this.client.postJson(addressOf('sendChanges'), {
      changes: this.waiting,
    });
    const refused = answers.find(({ outcome }) => outcome === 'refused');
    if (refused) throw new Error(`The demo's change was refused: ${JSON.stringify(refused)}`);
    this.waiting = [];
  }
}
