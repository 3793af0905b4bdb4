import { Link } from 'expo-router';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { studentsByTopic } from '@slate-path/core/notes/whoElse';
import { displayName } from '@slate-path/core/people/names';
import { Words } from '../../parts/Words';
import { space, target } from '../../theme/tokens';
import { now } from '../../sync/clock';
import { remembered } from '../../sync/remembered';
import { useRecords } from '../../sync/useRecords';

const weeks = 4;
const weekMs = 7 * 86_400_000;

const byTopic = remembered(
  ({ note, noteStudent, noteTopic, topic }) => [note, noteStudent, noteTopic, topic],
  (records) => studentsByTopic(records, new Date(now() - weeks * weekMs).toISOString()),
);

interface WhoElseProps {
  topicId: string;
  /** Whose page it is: the others are shown. */
  except?: string;
}

/** The other students whose notes of the last weeks touch the same topic. */
export function WhoElse({ topicId, except }: WhoElseProps) {
  const touched = useRecords((state) => byTopic(state.current).get(topicId));
  const students = useRecords((state) => state.current.student);
  const topic = useRecords((state) => state.current.topic[topicId]?.name ?? '');
  const others = (touched ?? []).filter(({ studentId }) => studentId !== except && students[studentId]);
  const heading = except ? `Who else: ${topic}` : `Who, in the last ${weeks} weeks`;
  if (others.length === 0)
    return except ? null : <Words tone="inkQuiet">{`Nobody in the last ${weeks} weeks.`}</Words>;
  return (
    <View>
      <Words bold>{heading}</Words>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(4) }}>
        {others.map(({ studentId, notes }) => (
          <Link
            key={studentId}
            href={{ pathname: '/students/[studentId]', params: { studentId } }}
            style={{
              minHeight: target,
              minWidth: target,
              display: 'flex',
              alignItems: 'center',
              textDecorationLine: 'none',
            }}
          >
            <Words tone="slate" bold>
              {students[studentId] ? displayName(students[studentId]) : ''}
            </Words>
            <Words tone="inkQuiet" figures>
              {notes === 1 ? '' : ` ${many(notes, 'note')}`}
            </Words>
          </Link>
        ))}
      </View>
    </View>
  );
}
