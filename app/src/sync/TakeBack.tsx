import Undo2 from 'lucide-react-native/icons/undo-2';
import { useCallback } from 'react';
import { Action } from '../parts/Action';
import { IconAction } from '../parts/IconAction';
import { lastDone, takeBack, type Concerns } from './outbox';
import { useRecords } from './useRecords';

interface TakeBackProps {
  /** The lesson, class, student or page whose last change it takes back. */
  about: string;
  /** Where only some of its records are on the screen: which. The same function from picture to picture. */
  concerns?: Concerns;
  /** Where it would only be in the way, it shows when there is something to take back. */
  always?: boolean;
  /** What it is about, in words, where there is another on the page. */
  of?: string;
  /** As a sign alone, beside the one thing to do. */
  small?: boolean;
}

/** Takes back the last change made here about something. */
export function TakeBack({ about, concerns, always, of, small }: TakeBackProps) {
  const undoable = useRecords((state) => lastDone(state.done, about, concerns) !== undefined);
  const undo = useCallback(() => {
    takeBack(about, concerns);
  }, [about, concerns]);
  if (!undoable && !always) return null;
  if (small) return <IconAction name="Take back" icon={Undo2} disabled={!undoable} onPress={undo} />;
  return (
    <Action
      label="Take back"
      name={of && `Take back: ${of}`}
      icon={Undo2}
      disabled={!undoable}
      onPress={undo}
      style={{ alignSelf: 'flex-start' }}
    />
  );
}
