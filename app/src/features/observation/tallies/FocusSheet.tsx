import Plus from 'lucide-react-native/icons/plus';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import type { Focus, Lesson, LookFor } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Sheet } from '../../../parts/Sheet';
import { TickRow } from '../../../parts/TickRow';
import { Words } from '../../../parts/Words';
import { lazily } from '../../../parts/lazily';
import { space } from '../../../theme/tokens';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { makeChange } from '../../../sync/outbox';
import { useRecords } from '../../../sync/useRecords';
import { endTallying } from './tallying';
import { TallyList } from './TallyList';

const LookForForm = lazily(() => import('./LookForForm'));

interface FocusSheetProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  names: ReadonlyMap<string, string>;
  focuses: readonly Focus[];
  focus: Focus | undefined;
  all: readonly LookFor[];
  onChoose: (focusId: string) => void;
  onClose: () => void;
}

/** What to look for in this lesson: another set, one look-for more or less, and what was seen so far. */
export function FocusSheet({ lesson, rows, names, focuses, focus, all, onChoose, onClose }: FocusSheetProps) {
  const router = useRouter();
  const [part, setPart] = useState<'sets' | 'add' | 'list'>('sets');
  const observed = useRecords(({ current }) => {
    const found = current.tallying[lesson.id];
    return found !== undefined && !found.removed && found.offAt === null;
  });
  const inSet = (id: string) => focus?.lookForIds.includes(id) ?? false;
  const put = (lookForIds: string[]) => {
    if (!focus || lookForIds.length === 0) return;
    const { id, name, sectionId } = focus;
    makeChange('focus.set', { focus: { id, name, sectionId, lookForIds }, lookFors: [] }, 'lookFors');
  };
  if (part === 'add')
    return (
      <Sheet title="Something more to look for" onClose={onClose}>
        <LookForForm
          lookFor={null}
          sectionId={lesson.sectionId}
          onAccept={(id) => {
            if (focus && focus.lookForIds.length < 12) put([...focus.lookForIds, id]);
            setPart('sets');
          }}
        />
      </Sheet>
    );
  if (part === 'list')
    return (
      <Sheet title="What was seen" note="Latest first; each can be taken out" onClose={onClose}>
        <TallyList lesson={lesson} rows={rows} names={names} most={200} />
      </Sheet>
    );
  return (
    <Sheet title="What to look for" note="Changing the set loses no count." onClose={onClose}>
      <Choice
        name="Set"
        value={focus?.id ?? ''}
        options={focuses.map(({ id, name }) => ({ value: id, label: name }))}
        onChange={onChoose}
      />
      <View>
        {all.map(({ id, name }) => (
          <TickRow
            key={id}
            name={name}
            ticked={inSet(id)}
            onChange={(ticked) => {
              const rest = (focus?.lookForIds ?? []).filter((one) => one !== id);
              if (!ticked || rest.length < 12) put(ticked ? [...rest, id] : rest);
            }}
          >
            <Words>{name}</Words>
          </TickRow>
        ))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: space(2) }}>
        <Action
          label="Something more"
          icon={Plus}
          onPress={() => {
            setPart('add');
          }}
        />
        <Action
          label="What was seen"
          onPress={() => {
            setPart('list');
          }}
        />
        <Action
          label="All sets and look-fors"
          onPress={() => {
            onClose();
            router.push('/desk/look-fors');
          }}
        />
        {observed ? (
          <Action
            label="Observe no longer"
            name="Observe no longer: what is not seen from now on says nothing"
            onPress={() => {
              endTallying(lesson);
              onClose();
            }}
          />
        ) : null}
      </View>
    </Sheet>
  );
}
