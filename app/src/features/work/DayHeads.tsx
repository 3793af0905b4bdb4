import { View } from 'react-native';
import { addDays, datesBetween, daysBetween, weekdayOf } from '@slate-path/core/calendar/localTime';
import { dayMonth, longDay, shortDay } from '../../parts/dates';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { target } from '../../theme/tokens';

interface DayHeadsProps {
  from: string;
  to: string;
  today: string;
  width: number;
  onDay: (day: string) => void;
}

/** Two letters of a weekday need so much room, in pixels. */
const narrowest = 22;

/** Days wide enough for a finger are named one by one, and open; of more days, the Mondays; of one, its hours. */
export function DayHeads({ from, to, today, width, onDay }: DayHeadsProps) {
  const days = daysBetween(from, to) + 1;
  const dayWidth = width / days;
  if (days === 1)
    return (
      <View style={{ width, flexDirection: 'row' }}>
        {['00:00', '06:00', '12:00', '18:00'].map((time) => (
          <View key={time} style={{ width: width / 4 }}>
            <Words size="small" tone="inkQuiet" figures>
              {time}
            </Words>
          </View>
        ))}
      </View>
    );
  if (dayWidth >= target)
    return (
      <View style={{ width, flexDirection: 'row' }}>
        {datesBetween(from, to).map((day) => {
          const [weekday, number] = shortDay(day).split(' ');
          return (
            <TapArea
              key={day}
              name={`${weekday ?? ''} ${number ?? ''}: only ${longDay(day)}`}
              onTap={() => {
                onDay(day);
              }}
              style={{ width: dayWidth, minHeight: target, justifyContent: 'center' }}
            >
              <Words
                size="small"
                tone={day === today ? 'ink' : 'inkQuiet'}
                bold={day === today}
                figures
                lines={1}
              >
                {`${weekday ?? ''} ${number ?? ''}`}
              </Words>
            </TapArea>
          );
        })}
      </View>
    );
  if (dayWidth >= narrowest)
    return (
      <View style={{ width, flexDirection: 'row' }}>
        {datesBetween(from, to).map((day) => (
          <View key={day} style={{ width: dayWidth }}>
            <Words size="small" tone={day === today ? 'ink' : 'inkQuiet'} bold={day === today} lines={1}>
              {shortDay(day).slice(0, 2)}
            </Words>
          </View>
        ))}
      </View>
    );
  const first = addDays(from, (8 - weekdayOf(from)) % 7);
  const step = 7 * Math.max(1, Math.ceil(64 / (7 * dayWidth)));
  const mondays = datesBetween(first, to).filter((day) => daysBetween(first, day) % step === 0);
  return (
    <View style={{ width, height: 28 }}>
      {mondays.map((day) => {
        const left = daysBetween(from, day) * dayWidth;
        return left + 48 > width ? null : (
          <View key={day} style={{ position: 'absolute', left, top: 4 }}>
            <Words size="small" tone="inkQuiet" figures lines={1}>
              {dayMonth(day)}
            </Words>
          </View>
        );
      })}
    </View>
  );
}
