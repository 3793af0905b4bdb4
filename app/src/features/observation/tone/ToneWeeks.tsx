import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Text as SvgText } from 'react-native-svg';
import { addDays } from '@slate-path/core/calendar/localTime';
import { groupBy } from '@slate-path/core/records/groupBy';
import { lessonTone, toneCourse, type LessonTone } from '@slate-path/core/observation/tone/course';
import { toneLevels, toneName } from '@slate-path/core/observation/tone/levels';
import { toneWeeks, type WeekTone } from '@slate-path/core/observation/tone/weeks';
import type { Lesson } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { dayMonth, shortDay } from '../../../parts/dates';
import { Words } from '../../../parts/Words';
import { ToneLevels } from './ToneLevels';
import { useRecords } from '../../../sync/useRecords';
import { usePalette } from '../../../theme/theme';
import { fonts, space } from '../../../theme/tokens';
import { spanOf } from './toneOf';

const left = 72;
/** What a day under the chart takes, as 16 Nov. */
const labelWidth = 48;
const rowHeight = 28;
const top = 10;

function useLessonTones(lessons: ReadonlyMap<string, Lesson>): LessonTone[] {
  const tones = useRecords(({ current }) => current.roomTone);
  return useMemo(
    () =>
      [...groupBy(Object.values(tones), ({ lessonId }) => lessonId)].flatMap(([lessonId, set]) => {
        const lesson = lessons.get(lessonId);
        if (!lesson || lesson.setAside) return [];
        const { from, to } = spanOf(lesson);
        return lessonTone(lesson, toneCourse(set, from, to)) ?? [];
      }),
    [tones, lessons],
  );
}

/** Lessons as dots with a line from their lowest to their highest; the median of each week as a bar across it. */
function WeeksChart({ weeks, name }: { weeks: readonly WeekTone[]; name: string }) {
  const palette = usePalette();
  const [width, setWidth] = useState(0);
  const first = weeks[0]?.week ?? '';
  const last = weeks.at(-1)?.week ?? '';
  const mondays: string[] = [];
  for (let monday = first; monday !== '' && monday <= last; monday = addDays(monday, 7)) mondays.push(monday);
  const field = Math.max(width - left - 8, 40);
  const wide = field / Math.max(mondays.length, 1);
  const y = (level: number) => top + (2 - level) * rowHeight + rowHeight / 2;
  const bottom = top + toneLevels.length * rowHeight;
  const label = { fontFamily: fonts.text, fontSize: 14, fill: palette.inkQuiet };
  const every = Math.max(1, Math.ceil((labelWidth + 10) / wide));
  return (
    <View
      role="img"
      aria-label={name}
      onLayout={({ nativeEvent: { layout } }) => {
        setWidth(layout.width);
      }}
    >
      <Words size="small" tone="inkQuiet">
        Tone of the room: a dot for each lesson, a bar for the middle of the week
      </Words>
      {width === 0 ? null : (
        <Svg width={width} height={bottom + 24}>
          <ToneLevels from={left} to={left + field} y={y} />
          {mondays.map((monday, at) => {
            const week = weeks.find((one) => one.week === monday);
            const x = left + at * wide;
            const between = wide / ((week?.lessons.length ?? 0) + 1);
            return (
              <G key={monday}>
                {at % every === 0 ? (
                  <SvgText {...label} x={Math.min(x + 2, left + field - labelWidth)} y={bottom + 18}>
                    {dayMonth(monday)}
                  </SvgText>
                ) : null}
                {week ? (
                  <Line
                    x1={x + 2}
                    x2={x + wide - 2}
                    y1={y(week.median)}
                    y2={y(week.median)}
                    stroke={palette.slate}
                    strokeWidth={5}
                  />
                ) : null}
                {week?.lessons.map(({ lessonId, mean, lowest, highest }, index) => (
                  <G key={lessonId}>
                    <Line
                      x1={x + between * (index + 1)}
                      x2={x + between * (index + 1)}
                      y1={y(lowest)}
                      y2={y(highest)}
                      stroke={palette.inkQuiet}
                      strokeWidth={1.5}
                    />
                    <Circle cx={x + between * (index + 1)} cy={y(mean)} r={4} fill={palette.ink} />
                  </G>
                ))}
              </G>
            );
          })}
        </Svg>
      )}
    </View>
  );
}

/** How the tone of a class went over the weeks; nothing where none was set. */
export function ToneWeeks({ lessons }: { lessons: ReadonlyMap<string, Lesson> }) {
  const tones = useLessonTones(lessons);
  const [asTable, setAsTable] = useState(false);
  if (tones.length === 0) return null;
  const weeks = toneWeeks(tones);
  const words = weeks.map(({ week, median }) => `week from ${dayMonth(week)} ${toneName(median)}`).join(', ');
  return (
    <Card style={{ gap: space(2) }}>
      <Words size="large" serif heading={2}>
        The tone of the room
      </Words>
      {asTable ? (
        <View>
          {weeks
            .flatMap((week) => week.lessons)
            .map(({ lessonId, date, startsAt, mean, lowest, highest, minutes }) => (
              <View key={lessonId} style={{ flexDirection: 'row', gap: space(3) }}>
                <Words figures style={{ width: 150 }}>{`${shortDay(date)}, ${startsAt}`}</Words>
                <Words figures style={{ flex: 1 }}>
                  {lowest === highest
                    ? `${toneName(mean)}, known for ${minutes} min`
                    : `${toneName(mean)} (${toneName(lowest)} to ${toneName(highest)}), known for ${minutes} min`}
                </Words>
              </View>
            ))}
        </View>
      ) : (
        <WeeksChart weeks={weeks} name={`The tone of the room by week: ${words}`} />
      )}
      <Action
        label={asTable ? 'As a chart' : 'As a table'}
        name={asTable ? 'The tone as a chart' : 'The tone as a table'}
        onPress={() => {
          setAsTable(!asTable);
        }}
        style={{ alignSelf: 'flex-start' }}
      />
    </Card>
  );
}
