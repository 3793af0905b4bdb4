import Undo2 from 'lucide-react-native/icons/undo-2';
import { useCallback } from 'react';
import { Action } from '../../parts/Action';
import { lastDone, takeBack } from './outbox';
import { useRecords } from './useRecords';

interface TakeBackProps {
  /** The lesson, class, student or page whose last change it takes back. */
  about: string;
  /** Where it would only be in the way, it shows when there is something to take back. */
  always?: boolean;
}

/** Takes back the last change made here about something. */
export function TakeBack({ about, always }: TakeBackProps) {
  const undoable = useRecords((state) => lastDone(state.done, about) !== undefined);
  const undo = useCallback(() => {
    takeBack(about);
  }, [about]);
  if (!undoable && !always) return null;
  return <Action label="Take back" icon={Undo2} disabled={!undoable} onPress={undo} />;
}
