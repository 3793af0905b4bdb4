import MonitorUp from 'lucide-react-native/icons/monitor-up';
import { useState } from 'react';
import { View } from 'react-native';
import type { Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { BigScreen } from '../../../parts/lazyBigScreen';
import { IconAction } from '../../../parts/IconAction';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { useRecords } from '../../../sync/useRecords';
import { BigBoard } from './BigBoard';
import { useScreenKeys } from './useScreenKeys';

function OnThisScreen({ lesson, onClose }: { lesson: Lesson; onClose: () => void }) {
  const name = useRecords(({ current }) => current.section[lesson.sectionId]?.name ?? 'Big screen');
  useScreenKeys(lesson);
  return (
    <BigScreen title={name} whole onClose={onClose}>
      <BigBoard lessonId={lesson.id} />
    </BigScreen>
  );
}

/** Shows sides and tone to the room: on this screen, in a window of its own, or on another machine. */
export function BigScreenAction({ lesson, small }: { lesson: Lesson; small?: boolean }) {
  const [open, setOpen] = useState<'ways' | 'here' | null>(null);
  const close = () => {
    setOpen(null);
  };
  const show = () => {
    setOpen('ways');
  };
  const address = `${location.origin}/screen`;
  return (
    <>
      {small ? (
        <IconAction name="Big screen" icon={MonitorUp} tone="slate" onPress={show} />
      ) : (
        <Action label="Big screen" icon={MonitorUp} onPress={show} />
      )}
      {open === 'ways' ? (
        <Sheet title="Big screen" note="It follows what you do here by itself." onClose={close}>
          <Action
            label="On this screen"
            kind="main"
            onPress={() => {
              setOpen('here');
            }}
          />
          <Action
            label="In a window of its own"
            onPress={() => {
              window.open(`/screen?lesson=${encodeURIComponent(lesson.id)}`, 'slate-screen', 'popup');
              close();
            }}
          />
          <View>
            <Words bold>On the computer of the room</Words>
            <Words>{`Sign in there and open ${address}: it shows the lesson that is on.`}</Words>
          </View>
        </Sheet>
      ) : null}
      {open === 'here' ? <OnThisScreen lesson={lesson} onClose={close} /> : null}
    </>
  );
}
