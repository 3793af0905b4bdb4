import { useMemo } from 'react';
import { View } from 'react-native';
import { studentTotals } from '@slate-path/core/attendance/roll/totals';
import { listOf } from '@slate-path/core/records/records';
import type { Enrolment } from '@slate-path/core/records/schema';
import type { WatchItem } from '@slate-path/core/watch/signals/watchClass';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { useNow } from '../../../sync/clock';
import { useSectionNames } from '../../../sync/sections';
import { useRecords } from '../../../sync/useRecords';
import { space } from '../../../theme/tokens';
import { rollBook, useAllLessons } from '../../attendance/lesson/lessons';
import { totalsWords } from '../../attendance/month/totalsWords';
import { StudentTicks } from '../../ticks/lazyPages';
import { CheckIns } from './CheckIns';
import { PathWeeks } from './PathWeeks';

interface RecordProps {
  studentId: string;
  enrolments: readonly Enrolment[];
  concerns: readonly WatchItem[];
  onTimeIn: (enrolment: Enrolment) => void;
}

/** Class by class every lesson as a presence bar with what it adds up to, and what was said on coming in. */
export function Record({ studentId, enrolments, concerns, onTimeIn }: RecordProps) {
  const now = useNow();
  const current = useRecords((state) => state.current);
  const book = useRecords((state) => rollBook(state.current));
  const lessons = useAllLessons();
  const classNames = useSectionNames();
  const levelIn = useMemo(
    () =>
      new Map(
        listOf(current, 'sweep').flatMap(({ lessonId, studentId: who, level }) =>
          who === studentId && level !== null ? [[lessonId, level] as const] : [],
        ),
      ),
    [current, studentId],
  );
  return (
    <>
      {enrolments.map((enrolment) => {
        const own = lessons.filter((lesson) => lesson.sectionId === enrolment.sectionId);
        const name = classNames[enrolment.sectionId] ?? '';
        return (
          <Card key={enrolment.id} style={{ gap: space(3) }}>
            <View style={{ flexDirection: 'row', alignItems: 'flex-start', gap: space(2) }}>
              <View style={{ flex: 1 }}>
                <Words size="large" serif heading={2}>
                  {name}
                </Words>
                <Words tone="inkQuiet">{totalsWords(studentTotals(enrolment, own, book, now))}</Words>
              </View>
              <Action
                label="Time in class"
                name={`Time in class: ${name}`}
                onPress={() => {
                  onTimeIn(enrolment);
                }}
              />
            </View>
            <PathWeeks
              enrolment={enrolment}
              lessons={own}
              book={book}
              today={now.date}
              since={concerns.find((item) => item.sectionId === enrolment.sectionId)?.since ?? null}
              levelIn={levelIn}
            />
          </Card>
        );
      })}
      <StudentTicks studentId={studentId} enrolments={enrolments} />
      <CheckIns
        checkIns={[...listOf(current, 'checkIn'), ...listOf(current, 'otherCheckIn')].filter(
          (said) => said.studentId === studentId,
        )}
        lessons={current.lesson}
      />
    </>
  );
}
