import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { localMoment } from '@slate-path/core/calendar/zone';
import { weatherWords, type AnyCheckIn } from '@slate-path/core/attendance/checkIn/roundUp';
import { displayName } from '@slate-path/core/people/names';
import type { Lesson, Student } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { WeatherSign } from '../../../parts/WeatherSign';
import { Words } from '../../../parts/Words';
import { space, target } from '../../../theme/tokens';
import { markMissingAway } from '../lesson/marking';
import { zoneOf } from '../../../sync/clock';
import { useRecords } from '../../../sync/useRecords';
import { useRoundUp } from './useRoundUp';

interface CheckInPanelProps {
  lesson: Lesson;
  onOpen: (studentId: string) => void;
}

interface LineProps {
  student: Student;
  checkIn?: AnyCheckIn;
  words?: string;
  onOpen: (studentId: string) => void;
}

function Line({ student, checkIn, words, onOpen }: LineProps) {
  const weather = checkIn?.weather ?? null;
  const said = [
    weather === null ? '' : weatherWords[weather - 1],
    words,
    checkIn?.comment && `“${checkIn.comment}”`,
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <TouchableRipple
      role="button"
      aria-label={`${displayName(student)}${said ? `: ${said}` : ''}`}
      onPress={() => {
        onOpen(student.id);
      }}
      style={{ minHeight: target, justifyContent: 'center' }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
        {weather === null ? null : <WeatherSign weather={weather} />}
        <View style={{ flex: 1 }}>
          <Words>{displayName(student)}</Words>
          {checkIn?.comment ? (
            <Words size="small" tone="inkQuiet" lines={2}>
              {checkIn.comment}
            </Words>
          ) : null}
          {words ? (
            <Words size="small" tone="inkQuiet">
              {words}
            </Words>
          ) : null}
        </View>
      </View>
    </TouchableRipple>
  );
}

/** What the first one had said, beside what another device said later. */
function firstWords({ weather, wantsWord, comment }: AnyCheckIn): string {
  const said = [
    weather === null ? '' : weatherWords[weather - 1],
    wantsWord ? 'asks for a quiet word' : '',
    comment && `“${comment}”`,
  ].filter(Boolean);
  return `The first said: ${said.join(', ') || 'here'}`;
}

/** Who has come in by themselves, who is missing, who feels low, who asks for a word, and lunch. */
export default function CheckInPanel({ lesson, onOpen }: CheckInPanelProps) {
  const { missing, low, wantsWord, markedAway, sameDevice, twice, lunch, checkedIn, students } =
    useRoundUp(lesson);
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const group = (title: string, lines: { student: Student; checkIn?: AnyCheckIn; words?: string }[]) =>
    lines.length === 0 ? null : (
      <View>
        <Words bold>{`${title}: ${lines.length}`}</Words>
        {lines.map(({ student, checkIn, words }) => (
          <Line key={checkIn?.id ?? student.id} {...{ student, checkIn, words, onOpen }} />
        ))}
      </View>
    );
  return (
    <View style={{ gap: space(3) }} testID="check-ins">
      <Words size="large" serif heading={2} live>
        {`Checked in: ${checkedIn} of ${students}`}
      </Words>
      {group('Asks for a quiet word', wantsWord)}
      {group(
        'In, but marked away',
        markedAway.map(({ student, checkIn }) => ({
          student,
          checkIn,
          words: `checked in ${localMoment(Date.parse(checkIn.at), zone).time}`,
        })),
      )}
      {group('Storm or rain', low)}
      {group(
        'From two devices',
        twice.map(({ student, checkIn, first }) => ({ student, checkIn, words: firstWords(first) })),
      )}
      {group('From the same device as the one before', sameDevice)}
      {group(
        'Not checked in',
        missing.map((student) => ({ student })),
      )}
      {missing.length > 0 && checkedIn > 0 ? (
        <View style={{ alignItems: 'flex-start' }}>
          <Action
            label={
              missing.length === 1 ? 'The missing one is away' : `The ${missing.length} missing are away`
            }
            onPress={() => {
              markMissingAway(
                lesson,
                missing.map(({ id }) => id),
              );
            }}
          />
        </View>
      ) : null}
      {lunch.length > 0 ? (
        <Words>{`Lunch: ${lunch.map(({ choice, count }) => `${count} ${choice}`).join(', ')}`}</Words>
      ) : null}
    </View>
  );
}
