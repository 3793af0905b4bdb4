import { View } from 'react-native';
import Svg, { Line, Rect } from 'react-native-svg';
import { weekdayNames } from '@slate-path/core/calendar/weekdays';
import { whenWorkedWords, type HoursOfWeek } from '@slate-path/core/work/whenWorked';
import { Card } from '../../parts/Card';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';

const labelWidth = 44;
const rowHeight = 30;
const barsHeight = 24;

/** When a class works: a row for each weekday, a bar for each hour, as high as students worked in it. */
export function HoursPicture({ week, width }: { week: HoursOfWeek; width: number }) {
  const palette = usePalette();
  const words = whenWorkedWords(week);
  if (words === '') return null;
  const highest = Math.max(...week.flat());
  const picture = width - labelWidth;
  const hourWidth = picture / 24;
  return (
    <Card style={{ gap: space(2) }}>
      <Words bold heading={2}>
        When this class works
      </Words>
      <Words>{`${words}.`}</Words>
      <View>
        {week.map((hours, day) => (
          <View key={day} style={{ flexDirection: 'row', alignItems: 'flex-end', height: rowHeight }}>
            <View style={{ width: labelWidth }}>
              <Words size="small" tone="inkQuiet">
                {(weekdayNames[day] ?? '').slice(0, 3)}
              </Words>
            </View>
            <Svg width={picture} height={rowHeight} aria-hidden>
              <Line x1={0} x2={picture} y1={rowHeight - 0.5} y2={rowHeight - 0.5} stroke={palette.line} />
              {hours.map((count, hour) =>
                count === 0 ? null : (
                  <Rect
                    key={hour}
                    x={hour * hourWidth + 1}
                    width={Math.max(2, hourWidth - 2)}
                    y={rowHeight - 1 - Math.max(2, (count / highest) * barsHeight)}
                    height={Math.max(2, (count / highest) * barsHeight)}
                    fill={palette.slate}
                  />
                ),
              )}
            </Svg>
          </View>
        ))}
        <View style={{ flexDirection: 'row', paddingLeft: labelWidth }}>
          {['00:00', '06:00', '12:00', '18:00'].map((time) => (
            <View key={time} style={{ width: picture / 4 }}>
              <Words size="small" tone="inkQuiet" figures>
                {time}
              </Words>
            </View>
          ))}
        </View>
      </View>
      <Words size="small" tone="inkQuiet">
        {`A bar is an hour of that weekday: how many students did something in it, on all days together; the highest is ${highest}.`}
      </Words>
    </Card>
  );
}
