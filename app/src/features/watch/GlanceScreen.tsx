import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import Svg, { Path, Rect } from 'react-native-svg';
import { addressOf } from '@slate-path/core/api/address';
import { many } from '@slate-path/core/words/many';
import { displayName } from '@slate-path/core/people/names';
import type { ClassGlance } from '@slate-path/core/watch/signals/glance';
import { streamWords } from '@slate-path/core/watch/signals/words';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { dayMonth } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useSections } from '../../sync/sections';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { useView } from '../../sync/views';

type Student = ClassGlance['students'][number];

const height = 44;
const barsTop = 30;

/** A student's last lessons in one small picture: engagement as a line, a stroke for each lesson missed. */
function SmallPath({ student, lessons }: { student: Student; lessons: ClassGlance['lessons'] }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const step = width / Math.max(1, lessons.length);
  const at = new Map(lessons.map(({ date }, index) => [date, index]));
  const line = student.engagement
    .flatMap(({ date, value }) => {
      const index = at.get(date);
      return index === undefined
        ? []
        : [`${((index + 0.5) * step).toFixed(1)} ${(4 + (1 - value / 3) * 20).toFixed(1)}`];
    })
    .map((point, index) => `${index === 0 ? 'M' : 'L'}${point}`)
    .join('');
  return (
    <View
      style={{ height }}
      onLayout={({ nativeEvent }) => {
        setWidth(nativeEvent.layout.width);
      }}
    >
      {width === 0 ? null : (
        <Svg width={width} height={height}>
          {student.missed.map((missed, index) =>
            missed === null ? null : (
              <Rect
                key={index}
                x={index * step + 1}
                y={missed === 1 ? barsTop : barsTop + 5}
                width={Math.max(1, step - 2)}
                height={missed === 1 ? 11 : 2}
                fill={missed === 1 ? palette.surface : palette.slate}
                stroke={missed === 1 ? palette.ink : undefined}
              />
            ),
          )}
          {line ? <Path d={line} stroke={palette.slate} strokeWidth={2} fill="none" /> : null}
          {student.voice.map(({ date, value }) => {
            const index = at.get(date);
            return index === undefined || value === 0 ? null : (
              <Rect
                key={date}
                x={(index + 0.5) * step - 1}
                y={24 - Math.min(4, value) * 4}
                width={2}
                height={Math.min(4, value) * 4}
                fill={palette.lichen}
                opacity={line ? 0.5 : 1}
              />
            );
          })}
        </Svg>
      )}
    </View>
  );
}

/** What stands out: a change, else a plain fact, else what a change may be beginning in. */
function changedWords({ changed, stream, fact }: Student): string {
  if (stream !== null && changed >= 1) return `changed: ${streamWords[stream]}`;
  if (fact !== null) return fact;
  return stream === null ? 'as usual' : `${streamWords[stream]}, a little`;
}

function StudentGlance({ student, lessons }: { student: Student; lessons: ClassGlance['lessons'] }) {
  const router = useRouter();
  const found = useRecords((state) => state.current.student[student.studentId]);
  if (!found) return null;
  const name = displayName(found);
  const missed = student.missed.filter((value) => value === 1).length;
  return (
    <Pressable
      role="link"
      aria-label={`${name}: ${changedWords(student)}; ${missed} of the last ${student.missed.filter((value) => value !== null).length} lessons missed. Open the path.`}
      onPress={() => {
        router.push({ pathname: '/students/[studentId]', params: { studentId: student.studentId } });
      }}
    >
      <Card style={{ gap: space(1), padding: space(3) }}>
        <Words bold lines={1}>
          {name}
        </Words>
        <Words size="small" tone={student.changed >= 1 ? 'ember' : 'inkQuiet'} lines={3}>
          {changedWords(student)}
        </Words>
        <SmallPath student={student} lessons={lessons} />
      </Card>
    </Pressable>
  );
}

/** All students of a class on one page, those who changed most first, and the patterns that stand out. */
export function GlanceScreen() {
  const wide = useWide();
  const { section } = useLocalSearchParams<{ section?: string }>();
  const classes = useSections();
  const [sectionId, setSectionId] = useState(section ?? '');
  const chosen = classes.find(({ id }) => id === sectionId) ?? classes[0];
  const { state, answer } = useView(addressOf('glance', { sectionId: chosen?.id ?? 'none' }));
  const asking = useAsking();
  const students = answer?.students ?? [];
  const columns = wide ? 4 : 1;
  const [first, last] = [answer?.lessons[0], answer?.lessons.at(-1)];
  return (
    <Page
      title="A class at a glance"
      note={
        first && last
          ? `${many(answer?.lessons.length ?? 0, 'lesson')}, ${dayMonth(first.date)} to ${dayMonth(last.date)}; who changed most stands first`
          : undefined
      }
      back={{ to: '/watch', name: 'Who needs me' }}
      full
    >
      {classes.length > 1 ? (
        <Choice
          name="Class"
          value={chosen?.id ?? ''}
          options={classes.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setSectionId}
        />
      ) : null}
      {students.length > 0 ? null : state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : (
        <Empty title="Nothing to see yet">
          Once lessons were held, everybody’s last lessons stand here side by side.
        </Empty>
      )}
      {(answer?.patterns.length ?? 0) > 0 ? (
        <Card style={{ gap: space(1) }}>
          <Words bold heading={2}>
            Patterns beyond chance
          </Words>
          {answer?.patterns.map(({ words }) => (
            <Words key={words}>{words}</Words>
          ))}
        </Card>
      ) : students.length > 0 ? (
        <Words tone="inkQuiet">No weekday and no time of day stands out against chance.</Words>
      ) : null}
      {students.length > 0 ? (
        <Words size="small" tone="inkQuiet">
          The line is engagement, green strokes are wanted tallies, the row below the lessons: a slim line
          there, an open box missed.
        </Words>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', marginHorizontal: -space(1) }}>
        {students.map((student) => (
          <View key={student.studentId} style={{ width: `${100 / columns}%`, padding: space(1) }}>
            <StudentGlance student={student} lessons={answer?.lessons ?? []} />
          </View>
        ))}
      </View>
    </Page>
  );
}
