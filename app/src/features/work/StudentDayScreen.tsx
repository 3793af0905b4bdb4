import { useLocalSearchParams, useRouter } from 'expo-router';
import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { addDays } from '@slate-path/core/calendar/localTime';
import { displayName } from '@slate-path/core/people/names';
import { listed } from '@slate-path/core/words/listed';
import { many } from '@slate-path/core/words/many';
import { dayLines } from '@slate-path/core/work/dayLine';
import { durationWords } from '@slate-path/core/work/durationWords';
import { sittingsOf } from '@slate-path/core/work/sittings';
import { statusWords } from '@slate-path/core/work/pieceWords';
import { Card } from '../../parts/Card';
import { longDay, shortDay } from '../../parts/dates';
import { Empty } from '../../parts/Empty';
import { Page } from '../../parts/Page';
import { choicePhrase, Sentence } from '../../parts/Sentence';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { useAsking } from '../../sync/useAsking';
import { useRecords } from '../../sync/useRecords';
import { useLastDay, useSectionName } from '../../sync/sections';
import { useView } from '../../sync/views';
import { usePalette, useWide } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import { DayHeads } from './DayHeads';
import { Rails, railsHeight } from './Rails';
import { useClassWork, type RailRow } from './useClassWork';

const clockOf = (moment: string) => moment.slice(11, 16);
const lengths = [
  { value: '7', label: 'the last 7 days' },
  { value: '28', label: 'the last 28 days' },
  { value: '112', label: 'the last 16 weeks' },
] as const;

/** One student’s days in a class, elsewhere beside in the room; a day by the minute. */
export function StudentDayScreen() {
  const {
    sectionId,
    studentId,
    date,
    days = '28',
  } = useLocalSearchParams<{
    sectionId: string;
    studentId: string;
    date?: string;
    days?: (typeof lengths)[number]['value'];
  }>();
  const router = useRouter();
  const wide = useWide();
  const asking = useAsking('for these days');
  const last = useLastDay(sectionId);
  const name = useSectionName(sectionId);
  const student = useRecords(({ current }) => current.student[studentId]);
  const to = date !== undefined && date > last ? date : last;
  const wanted = addDays(to, 1 - Number(days));
  const from = date !== undefined && date < wanted ? date : wanted;
  const { state, rows, work } = useClassWork(sectionId, { from, to });
  const row = rows.find((one) => one.student.id === studentId);
  const shown =
    date ??
    row?.done
      .map(({ day }) => day)
      .toSorted()
      .at(-1);
  const onDay = (day: string) => {
    router.setParams({ date: day });
  };
  const owed = row?.pieces.filter(({ status }) => status === 'missing') ?? [];
  const titles = new Map(work.map(({ id, title }) => [id, title]));
  const open = (workId: string) => () => {
    router.push({ pathname: '/classes/[sectionId]/pieces/[workId]', params: { sectionId, workId } });
  };
  return (
    <Page
      title={student ? displayName(student) : 'Student'}
      tab={`Days of a student, ${name}`}
      note={name}
      back={{
        to: { pathname: '/classes/[sectionId]/work', params: { sectionId } },
        name: 'Work and activity',
      }}
      acts={[
        {
          label: 'Path',
          onPress: () => {
            router.push({ pathname: '/students/[studentId]', params: { studentId } });
          },
        },
      ]}
    >
      <Sentence
        parts={[
          'In ',
          choicePhrase({
            name: 'choose the days',
            value: days,
            options: lengths,
            onChange: (value) => {
              router.setParams({ days: value, date: undefined });
            },
          }),
          row
            ? ` ${many(row.seen.actions, 'action')} on ${many(row.seen.days, 'day')}${owed.length > 0 ? '; owed: ' : '; nothing is owed.'}`
            : ' …',
          ...owed.flatMap(({ workId }, index) => [
            ...(index === 0 ? [] : [', ']),
            { words: titles.get(workId) ?? '', name: 'open it', onTap: open(workId) },
          ]),
          ...(owed.length > 0 ? ['.'] : []),
        ]}
      />
      {row ? (
        <DaysOfStudent row={row} from={from} to={to} today={last} wide={wide} chosen={shown} onDay={onDay} />
      ) : state === 'loading' ? (
        <Words tone="inkQuiet">{asking}</Words>
      ) : null}
      {shown && row ? <OneDay sectionId={sectionId} studentId={studentId} date={shown} /> : null}
      {row && !shown ? (
        <Empty title="Nothing was done in these days">
          What this student does outside the room stands here, day by day and by the minute.
        </Empty>
      ) : null}
      {row && row.pieces.length > 0 ? (
        <Words size="small" tone="inkQuiet">
          {`Pieces of work: ${listed(
            row.pieces.map(({ workId, status }) => `${titles.get(workId) ?? ''} ${statusWords[status]}`),
          )}.`}
        </Words>
      ) : null}
    </Page>
  );
}

interface DaysProps {
  row: RailRow;
  from: string;
  to: string;
  today: string;
  wide: boolean;
  chosen: string | undefined;
  onDay: (day: string) => void;
}

/** The rails of the student, and the days on which something was done. */
function DaysOfStudent({ row, from, to, today, wide, chosen, onDay }: DaysProps) {
  const palette = usePalette();
  const width = wide ? 1040 : 324;
  return (
    <>
      <Card style={{ padding: space(3) }}>
        <DayHeads from={from} to={to} today={today} width={width} onDay={onDay} />
        <View style={{ height: railsHeight }}>
          <Rails row={row} from={from} to={to} width={width} />
        </View>
      </Card>
      <View role="group" aria-label="Days" style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
        {row.done
          .toSorted((a, b) => (a.day < b.day ? 1 : -1))
          .slice(0, wide ? 14 : 8)
          .map(({ day, count }) => (
            <TapArea
              key={day}
              name={`${longDay(day)}: ${many(count, 'action')}`}
              held={day === chosen}
              onTap={() => {
                onDay(day);
              }}
              style={{
                minHeight: target,
                minWidth: target,
                justifyContent: 'center',
                paddingHorizontal: space(2),
                borderBottomWidth: 3,
                borderColor: day === chosen ? palette.slate : 'transparent',
              }}
            >
              <Words size="small" bold={day === chosen} figures>
                {shortDay(day)}
              </Words>
            </TapArea>
          ))}
      </View>
    </>
  );
}

/** A day by the minute. */
function OneDay({ sectionId, studentId, date }: { sectionId: string; studentId: string; date: string }) {
  const palette = usePalette();
  const { state, answer } = useView(addressOf('studentDay', { sectionId, studentId, date }));
  const asking = useAsking('for this day');
  if (!answer) return state === 'missing' ? null : <Words tone="inkQuiet">{asking}</Words>;
  const { actions, more } = answer;
  const sittings = sittingsOf(actions);
  const minutes = sittings.reduce((sum, sitting) => sum + sitting.minutes, 0);
  return (
    <Card style={{ gap: space(1) }}>
      <Words bold heading={2}>
        {longDay(date)}
      </Words>
      {actions.length === 0 ? (
        <Words tone="inkQuiet">Nothing was done elsewhere on this day.</Words>
      ) : (
        <Words size="small" tone="inkQuiet" figures>
          {`${many(actions.length, 'action')} in ${many(sittings.length, 'sitting')}, ${durationWords(minutes)} in all. An estimate: a pause of over 30 minutes ends a sitting, and what is only read leaves no trace.`}
        </Words>
      )}
      {dayLines(actions).map((line, index) =>
        line.kind === 'pause' ? (
          <Words key={index} size="small" tone="inkQuiet" style={{ paddingLeft: 64, paddingVertical: 4 }}>
            {line.words}
          </Words>
        ) : (
          <View
            key={index}
            testID="day-action"
            style={{
              flexDirection: 'row',
              gap: space(3),
              paddingVertical: space(1),
              borderTopWidth: 1,
              borderColor: palette.line,
            }}
          >
            <View style={{ width: 52 }}>
              <Words figures tone="inkQuiet">
                {clockOf(line.at)}
              </Words>
            </View>
            <View style={{ flex: 1 }}>
              <Words>{line.what}</Words>
              {line.where || line.note ? (
                <Words size="small" tone="inkQuiet" figures>
                  {[line.where, line.note].filter(Boolean).join(' · ')}
                </Words>
              ) : null}
            </View>
          </View>
        ),
      )}
      {more ? <Words tone="inkQuiet">There were more; the first 2,000 stand here.</Words> : null}
    </Card>
  );
}
