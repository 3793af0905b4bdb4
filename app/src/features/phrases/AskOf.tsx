import type { BlankName } from '@slate-path/core/phrases/blanks';
import { useWorkOf } from '../work/useOwed';
import type { Place } from './members';
import { useAsked } from './useBlankValues';

/** Asks for what the wanted blanks need of one of several classes. */
export function AskOf({ place, wanted }: { place: Place; wanted: readonly BlankName[] }) {
  useAsked(place, wanted);
  useWorkOf(place.sectionId, wanted.includes('work'));
  return null;
}
