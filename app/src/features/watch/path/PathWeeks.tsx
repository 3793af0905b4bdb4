import { useRouter } from 'expo-router';
import { Pressable, ScrollView, View } from 'react-native';
import { datesBetween, mondayOf, weekdayOf } from '@slate-path/core/calendar/localTime';
import { groupBy } from '@slate-path/core/records/groupBy';
import type { Enrolment, Lesson } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/attendance/roll/markId';
import type { RollBook } from '@slate-path/core/attendance/roll/book';
import { isEnrolledOn, presenceIn } from '@slate-path/core/attendance/roll/totals';
import { presenceSpoken } from '@slate-path/core/attendance/roll/words';
import { dayMonth, shortDay } from '../../../parts/dates';
import { OarMarks } from '../../../parts/OarMarks';
import { PresenceBar } from '../../../parts/PresenceBar';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { useLevelNames } from '../../observation/sweep/sweeping';

interface PathWeeksProps {
  enrolment: Enrolment;
  lessons: readonly Lesson[];
  book: RollBook;
  today: string;
  /** Since when there is a concern: a dashed ember line before that week. */
  since: string | null;
  /** The engagement level by lesson, where the student was set. */
  levelIn: ReadonlyMap<string, number>;
  /** Whoever reads a path that was given to them has no such lesson to open. */
  closed?: boolean;
}

/** Weeks from left to right, the week's lessons one below the other; a bar opens its lesson. */
export function PathWeeks({
  enrolment,
  lessons,
  book,
  today,
  since,
  levelIn,
  closed = false,
}: PathWeeksProps) {
  const palette = usePalette();
  const router = useRouter();
  const past = lessons.filter((l) => l.date <= today && isEnrolledOn(enrolment, l.date));
  const byWeek = groupBy(past, (lesson) => mondayOf(lesson.date));
  const [first, last] = [past[0], past.at(-1)];
  // Every week has its place, so that time runs evenly; one without lessons is a gap.
  const weeks =
    first && last
      ? datesBetween(mondayOf(first.date), last.date).filter((date) => weekdayOf(date) === 1)
      : [];
  const sinceWeek = since ? mondayOf(since) : null;
  const levelNames = useLevelNames();
  const levelWords = (lessonId: string) => {
    const level = levelIn.get(lessonId);
    return level === undefined ? '' : `, ${levelNames[level]?.toLowerCase() ?? ''}`;
  };
  const spoken = (lesson: Lesson) => {
    if (lesson.setAside) return 'set aside';
    const presence = presenceIn(lesson, enrolment.studentId, book);
    if (!presence) return 'not taken';
    const mark = book.marks[markId(lesson.id, enrolment.studentId)];
    return presenceSpoken(presence, mark, mark?.standingId ? book.standings[mark.standingId] : undefined);
  };
  return (
    <ScrollView horizontal>
      <View style={{ flexDirection: 'row' }}>
        {weeks.map((monday) => (
          <View
            key={monday}
            style={{
              width: 70,
              paddingHorizontal: space(2),
              borderLeftWidth: monday === sinceWeek ? 2 : 1,
              borderStyle: monday === sinceWeek ? 'dashed' : 'solid',
              borderColor: monday === sinceWeek ? palette.ember : palette.line,
            }}
          >
            {byWeek.has(monday) ? null : (
              <Words size="small" tone="inkQuiet">
                days off
              </Words>
            )}
            {(byWeek.get(monday) ?? []).map((lesson) => (
              <Pressable
                key={lesson.id}
                role={closed ? 'img' : 'link'}
                disabled={closed}
                aria-label={`${shortDay(lesson.date)}: ${spoken(lesson)}${levelWords(lesson.id)}`}
                onPress={() => {
                  router.push({ pathname: '/lessons/[lessonId]', params: { lessonId: lesson.id } });
                }}
                style={{ height: target, justifyContent: 'center' }}
              >
                <PresenceBar
                  shape={
                    lesson.setAside
                      ? { kind: 'setAside' }
                      : barShape(presenceIn(lesson, enrolment.studentId, book))
                  }
                  width={50}
                  height={12}
                />
                {levelIn.has(lesson.id) ? <OarMarks level={levelIn.get(lesson.id) ?? 0} size={18} /> : null}
              </Pressable>
            ))}
            <View style={{ flex: 1 }} />
            <Words size="small" tone={monday === sinceWeek ? 'ember' : 'inkQuiet'} figures lines={1}>
              {dayMonth(monday)}
            </Words>
          </View>
        ))}
      </View>
    </ScrollView>
  );
}
