import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { weatherWords } from '@slate-path/core/attendance/checkIn/roundUp';
import { weatherWeeks, type WeatherRow } from '@slate-path/core/attendance/checkIn/weatherWeeks';
import { displayName, shortName } from '@slate-path/core/people/names';
import { listOf } from '@slate-path/core/records/records';
import type { Lesson } from '@slate-path/core/records/schema';
import { isEnrolledOn, wasHeld } from '@slate-path/core/attendance/roll/totals';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { shortDay } from '../../../parts/dates';
import { DayHead } from '../../../parts/DayHead';
import { Empty } from '../../../parts/Empty';
import { Page } from '../../../parts/Page';
import { TapArea } from '../../../parts/TapArea';
import { WeatherSign } from '../../../parts/WeatherSign';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { useAllLessons } from '../lesson/lessons';
import { byStudent, useNameOrder } from '../../../sync/nameOrder';
import { useNow } from '../../../sync/clock';
import { useSectionName, useLastDay } from '../../../sync/sections';
import { useAsking } from '../../../sync/useAsking';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';

const columnWidth = 44;
/** What is usual is read from so many weeks. */
const weeksBack = 8;

/** The lessons in which anybody checked in, and each one's weather in the last of them. */
function useWeather(sectionId: string, columns: number): { lessons: Lesson[]; rows: WeatherRow[] } {
  const current = useRecords((state) => state.current);
  const all = useAllLessons();
  const now = useNow();
  const order = useNameOrder();
  const lastDay = useLastDay(sectionId);
  return useMemo(() => {
    const checkIns = listOf(current, 'checkIn');
    const said = new Set(checkIns.map(({ lessonId }) => lessonId));
    const held = all.filter(
      (lesson) =>
        lesson.sectionId === sectionId &&
        said.has(lesson.id) &&
        (wasHeld(lesson, now) || lesson.date === now.date),
    );
    const students = listOf(current, 'enrolment')
      .filter((e) => e.sectionId === sectionId && isEnrolledOn(e, lastDay))
      .flatMap(({ studentId }) => {
        const student = current.student[studentId];
        return student && !student.removed ? [{ student }] : [];
      })
      .sort(byStudent(order))
      .map(({ student }) => student);
    const lessons = held.slice(-columns);
    return { lessons, rows: weatherWeeks(students, lessons, held.slice(0, -columns), checkIns) };
  }, [current, all, now, lastDay, order, sectionId, columns]);
}

/** The class's weather by day: who is low in the last lesson, and who is lower than usual, in words first. */
export function WeatherScreen() {
  const { sectionId } = useLocalSearchParams<{ sectionId: string }>();
  const wide = useWide();
  const router = useRouter();
  const className = useSectionName(sectionId);
  const lastDay = useLastDay(sectionId);
  const { state } = useView(addressOf('lessons', { from: addDays(lastDay, -7 * weeksBack), to: lastDay }));
  const asking = useAsking();
  const { lessons, rows } = useWeather(sectionId, wide ? 16 : 4);
  const last = lessons.at(-1);
  const names = (found: readonly WeatherRow[]) => found.map(({ student }) => shortName(student)).join(', ');
  const low = rows.filter((row) => row.low);
  const lower = rows.filter((row) => row.lowerThanUsual);
  const toClass = { pathname: '/classes/[sectionId]' as const, params: { sectionId } };
  return (
    <Page
      title={`Weather, ${className}`}
      note={last ? `Last: ${shortDay(last.date)}, ${last.startsAt}` : 'What students say on coming in'}
      back={{ to: toClass, name: 'Back to the class' }}
      full
    >
      {last ? (
        <>
          <Card style={{ gap: space(2), alignSelf: 'flex-start', maxWidth: '100%' }}>
            <Words size="large" bold>
              {low.length === 0 ? 'Nobody is low' : `Low: ${names(low)}`}
            </Words>
            <Words>
              {lower.length === 0 ? 'Nobody is much lower than usual.' : `Lower than usual: ${names(lower)}`}
            </Words>
          </Card>
          <Table lessons={lessons} rows={rows} wide={wide} />
        </>
      ) : state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : (
        <Empty
          title="Nobody has checked in yet"
          action={
            <Action
              label="Set up check-in"
              kind="main"
              onPress={() => {
                router.push({ pathname: '/classes/[sectionId]/check-in', params: { sectionId } });
              }}
            />
          }
        >
          When students check themselves in, each day’s weather stands here beside the days before.
        </Empty>
      )}
    </Page>
  );
}

function Table({ lessons, rows, wide }: { lessons: Lesson[]; rows: WeatherRow[]; wide: boolean }) {
  const palette = usePalette();
  const router = useRouter();
  const nameWidth = wide ? 220 : 150;
  return (
    <Card style={{ padding: 0, alignSelf: 'flex-start', maxWidth: '100%' }}>
      <View style={{ flexDirection: 'row', paddingVertical: space(2), paddingRight: space(2) }}>
        <View style={{ width: nameWidth }} />
        {lessons.map(({ id, date }) => (
          <DayHead key={id} date={date} width={columnWidth} />
        ))}
      </View>
      {rows.map(({ student, weather, lowerThanUsual, latest, usual }) => (
        <TapArea
          key={student.id}
          name={`${displayName(student)}: ${weather
            .map(
              (sign, index) =>
                `${shortDay(lessons[index]?.date ?? '')} ${sign ? weatherWords[sign - 1] : 'nothing'}`,
            )
            .join(', ')}`}
          onTap={() => {
            router.push({ pathname: '/students/[studentId]', params: { studentId: student.id } });
          }}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            minHeight: rowHeight,
            borderTopWidth: 1,
            borderColor: palette.line,
            paddingRight: space(2),
          }}
        >
          <View style={{ width: nameWidth, paddingLeft: space(4), paddingRight: space(2) }}>
            <Words lines={wide ? 1 : 2} bold={lowerThanUsual}>
              {displayName(student)}
            </Words>
            {lowerThanUsual && latest !== null && usual !== null ? (
              <Words size="small" tone="ember">
                {`${weatherWords[latest - 1] ?? ''}, usually ${weatherWords[usual - 1] ?? ''}`}
              </Words>
            ) : null}
          </View>
          {weather.map((sign, index) => (
            <View key={lessons[index]?.id} style={{ width: columnWidth, alignItems: 'center' }}>
              {sign ? <WeatherSign weather={sign} tone={sign <= 2 ? 'ink' : 'inkQuiet'} size={26} /> : null}
            </View>
          ))}
        </TapArea>
      ))}
    </Card>
  );
}
