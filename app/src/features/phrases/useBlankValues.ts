import { useMemo } from 'react';
import { addressOf } from '@slate-path/core/api/address';
import type { BlankName } from '@slate-path/core/phrases/blanks';
import { useView } from '../../sync/views';
import { useOwed } from '../work/useOwed';
import { useMembers, type Member, type Place } from './members';

const ofMonth: readonly BlankName[] = ['times', 'dates'];
const nobody: readonly Place[] = [];

/** One student of a class, with all that the wanted blanks need; nobody where the class is not theirs on that day. */
export function useMember(
  place: Place | null,
  studentId: string | null,
  wanted: readonly BlankName[],
): Member | undefined {
  const places = useMemo(() => (place ? [place] : nobody), [place]);
  useAsked(place, wanted);
  const owed = useOwed(place?.sectionId ?? '', wanted.includes('work'));
  return useMembers(places, owed).find(({ student }) => student.id === studentId);
}

/** Asks for what the wanted blanks are filled from and this device may not hold. */
export function useAsked(place: Place | null, wanted: readonly BlankName[]): void {
  const month = ofMonth.some((name) => wanted.includes(name));
  useView(
    place && month ? addressOf('month', { sectionId: place.sectionId, month: place.date.slice(0, 7) }) : null,
  );
  useView(wanted.includes('last contact') ? addressOf('outbox') : null);
}
