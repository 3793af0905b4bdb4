import { useEffect, useMemo } from 'react';
import { ScrollView, View } from 'react-native';
import { highestTone, lowestTone, toneLevels, toneName } from '@slate-path/core/observation/tone/levels';
import { toneHistory } from '@slate-path/core/observation/tone/history';
import type { Lesson } from '@slate-path/core/records/schema';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { useNow } from '../../../sync/clock';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { usePalette, useWide } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';
import { typing } from '../../attendance/lesson/useLessonKeys';
import { BigScreenAction } from '../sides/BigScreenAction';
import { ToneCourse } from './ToneCourse';
import { clockAt, courseOf, moveTone, setTone, tonesIn } from './toneOf';
import { ToneSign } from './ToneSign';

/** Arrows move the tone by one, figures 1 to 5 set it. */
export function useToneKeys(lesson: Lesson): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || typing()) return;
      const figure = '12345'.indexOf(event.key);
      if (event.key === 'ArrowUp') moveTone(lesson, 1);
      else if (event.key === 'ArrowDown') moveTone(lesson, -1);
      else if (figure >= 0) setTone(lesson, lowestTone + figure);
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [lesson]);
}

/** The whole class as one sign: a tap on a level, or an arrow key, moves it. */
export default function TonePanel({ lesson }: { lesson: Lesson }) {
  const palette = usePalette();
  const wide = useWide();
  const minute = useNow();
  const records = useRecords(({ current }) => current.roomTone);
  const tones = useMemo(() => tonesIn(records, lesson.id), [records, lesson.id]);
  // The line grows by the minute.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const course = useMemo(() => courseOf(lesson, tones), [lesson, tones, minute]);
  const last = tones.at(-1);
  const level = last?.level ?? null;
  useToneKeys(lesson);
  const levels = (
    <View role="radiogroup" aria-label="Tone of the room">
      {toneLevels.toReversed().map((one) => (
        <TapArea
          key={one}
          name={`${toneName(one)}${one === level ? ', now' : ''}`}
          held={one === level}
          onTap={() => {
            setTone(lesson, one);
          }}
          style={{
            minHeight: 56,
            justifyContent: 'center',
            paddingHorizontal: space(4),
            borderBottomWidth: one > lowestTone ? 1 : 0,
            borderColor: palette.line,
            borderTopLeftRadius: one === highestTone ? radius.card : 0,
            borderTopRightRadius: one === highestTone ? radius.card : 0,
            borderBottomLeftRadius: one === lowestTone ? radius.card : 0,
            borderBottomRightRadius: one === lowestTone ? radius.card : 0,
            backgroundColor: one === level ? palette.slate : palette.surface,
          }}
        >
          <Words size="name" bold={one === level} tone={one === level ? 'onSlate' : 'ink'}>
            {toneName(one)}
          </Words>
        </TapArea>
      ))}
    </View>
  );
  return (
    <ScrollView style={{ flex: 1 }} contentContainerStyle={{ padding: space(4), gap: space(4) }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(4) }}>
        <ToneSign level={level} size={wide ? 220 : 132} />
        <View style={{ flex: 1 }} aria-live="polite" testID="tone">
          <Words size="title" serif heading={2}>
            {level === null ? 'How is the room?' : toneName(level)}
          </Words>
          <Words tone="inkQuiet" figures>
            {last ? `since ${clockAt(Date.parse(last.at))}` : 'One sign for the whole class. Tap a level.'}
          </Words>
        </View>
      </View>
      <View style={{ borderWidth: 1, borderColor: palette.line, borderRadius: radius.card, maxWidth: 520 }}>
        {levels}
      </View>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(4) }}>
        <BigScreenAction lesson={lesson} />
        <TakeBack about={toneHistory(lesson.id)} />
      </View>
      {course.length > 0 ? (
        <View style={{ maxWidth: 720 }}>
          <ToneCourse lesson={lesson} course={course} />
        </View>
      ) : null}
    </ScrollView>
  );
}
