import { useMemo } from 'react';
import { phrasesInOrder, type OfferedPhrase } from '@slate-path/core/phrases/order';
import { useAccount } from '../../sync/account';
import { now } from '../../sync/clock';
import { makeChange, newId } from '../../sync/outbox';
import { useRecords } from '../../sync/useRecords';

/** What *Take back* calls phrases by. */
export const phrasesHistory = 'phrases';

/** The phrases that there are, as they are offered. */
export function useOffered(): OfferedPhrase[] {
  const phrases = useRecords(({ current }) => current.phrase);
  const uses = useRecords(({ current }) => current.phraseUse);
  return useMemo(() => phrasesInOrder(Object.values(phrases), Object.values(uses)), [phrases, uses]);
}

const personId = () => useAccount.getState().teacherId;

/** Keeps a sentence for reuse. @returns its id */
export function addPhrase(text: string, shared: boolean): string {
  const id = newId();
  makeChange('phrase.add', { id, text, shared, personId: personId() }, phrasesHistory);
  return id;
}

/** The next time it stands further up. */
export function markUsed(phraseId: string): void {
  const usedAt = new Date(now()).toISOString();
  makeChange('phrase.use', { phraseId, personId: personId(), usedAt }, phraseId);
}

export function favour(phraseId: string, favourite: boolean): void {
  makeChange('phrase.favour', { phraseId, personId: personId(), favourite }, phrasesHistory);
}
