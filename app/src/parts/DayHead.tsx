import { View } from 'react-native';
import { shortDay } from './dates';
import { Words } from './Words';

/** Over a column of a day: weekday and day of the month. */
export function DayHead({ date, width }: { date: string; width: number }) {
  const [weekday, day] = shortDay(date).split(' ');
  return (
    <View style={{ width, alignItems: 'center' }}>
      <Words size="small" tone="inkQuiet">
        {weekday}
      </Words>
      <Words size="small" figures>
        {day}
      </Words>
    </View>
  );
}
