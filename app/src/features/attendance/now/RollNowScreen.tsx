import { useRouter } from 'expo-router';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { many } from '@slate-path/core/words/many';
import { displayName } from '@slate-path/core/people/names';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Field } from '../../../parts/Field';
import { Page } from '../../../parts/Page';
import { Typing } from '../../../parts/Typing';
import { forgetTyped } from '../../../parts/typed';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { check } from '../../../forms/check';
import { useNow } from '../../../sync/clock';
import { useSections } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { beginClass, beginLesson, lessonAt } from './beginRoll';
import { usePasted } from './usePasted';

const form = 'roll now';

/** A roll without a timetable: a class that is there, or a new one with whoever is in it. */
export function RollNowScreen() {
  const router = useRouter();
  const now = useNow();
  const sections = useSections().filter(({ endedOn }) => endedOn === null);
  const open = (sectionId: string) => {
    const lessonId = beginLesson(sectionId, now);
    router.navigate({ pathname: '/lessons/[lessonId]', params: { lessonId } });
  };
  return (
    <Page title="Take a roll now" back={{ to: '/', name: 'Back to the lesson' }}>
      {sections.length > 0 ? <Known sections={sections} onOpen={open} /> : null}
      <NewClass isFirst={sections.length === 0} onOpen={open} />
    </Page>
  );
}

interface KnownProps {
  sections: readonly { id: string; name: string }[];
  onOpen: (sectionId: string) => void;
}

/** The classes that are there, each with the lesson that would open. */
function Known({ sections, onOpen }: KnownProps) {
  const palette = usePalette();
  const now = useNow();
  const current = useRecords((state) => state.current);
  const timesOf = (sectionId: string) => {
    const { on, times } = lessonAt(current, sectionId, now);
    const { startsAt, endsAt } = on ?? times;
    return { times: `${startsAt} to ${endsAt}`, spoken: on ? 'its lesson' : 'a lesson' };
  };
  return (
    <Card style={{ paddingVertical: space(1) }}>
      {sections.map(({ id, name }, index) => {
        const { times, spoken } = timesOf(id);
        return (
          <TouchableRipple
            key={id}
            role="link"
            aria-label={`Take the roll of ${name}: ${spoken} from ${times}`}
            onPress={() => {
              onOpen(id);
            }}
            style={{
              minHeight: rowHeight,
              justifyContent: 'center',
              borderTopWidth: index > 0 ? 1 : 0,
              borderColor: palette.line,
            }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
              <View style={{ flex: 1 }}>
                <Words size="name" lines={2}>
                  {name}
                </Words>
              </View>
              <Words tone="inkQuiet" figures bold={spoken === 'its lesson'}>
                {times}
              </Words>
            </View>
          </TouchableRipple>
        );
      })}
    </Card>
  );
}

function NewClass({ isFirst, onOpen }: { isFirst: boolean; onOpen: (sectionId: string) => void }) {
  const [name, setName] = useState('');
  const [list, setList] = useState('');
  const [error, setError] = useState<string>();
  // A second tap while the first is at work would make a second class.
  const begun = useRef(false);
  const { students, left } = usePasted(list);
  const accept = async () => {
    if (begun.current) return;
    begun.current = true;
    const read = await check('SectionFields', { name, subject: '', room: '' });
    if (read.errors) {
      setError(Object.values(read.errors)[0]);
      begun.current = false;
      return;
    }
    const sectionId = await beginClass(read.data.name, students);
    forgetTyped(form);
    onOpen(sectionId);
  };
  return (
    <Typing about={form}>
      <Card style={{ gap: space(3), maxWidth: 640 }}>
        {isFirst ? null : (
          <Words size="large" serif heading={2}>
            A new class
          </Words>
        )}
        <Field
          label="What is the class called?"
          value={name}
          onChange={setName}
          error={error}
          placeholder="Boat Workshop"
        />
        <Field
          label="Who is in it?"
          value={list}
          onChange={setList}
          multiline
          hint="Paste or type the names, one a line; or only how many there are, as 30"
          testID="now-list"
        />
        <View aria-live="polite" style={{ gap: space(1) }}>
          {students.length > 0 ? (
            <Words lines={3}>
              <Words bold>{many(students.length, 'student')}</Words>
              {`: ${students.map(displayName).join(', ')}`}
            </Words>
          ) : null}
          {left.map(({ line, text, reason }) => (
            <Words key={line} size="small" tone="inkQuiet">
              {`Left out: ${text || `line ${line}`} (${reason}). Bring it with a roster later.`}
            </Words>
          ))}
        </View>
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label="To the roll"
            kind="main"
            disabled={name.trim() === '' || students.length === 0}
            onPress={() => void accept()}
          />
        </View>
        <Words size="small" tone="inkQuiet">
          The lesson begins now. Term, timetable and the rest can come later.
        </Words>
      </Card>
    </Typing>
  );
}
