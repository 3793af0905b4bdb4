import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { addDays } from '@slate-path/core/calendar/localTime';
import { IconAction } from '../../parts/IconAction';

/** From one day to the one before and the one after. */
export function DayArrows({ day, onDay }: { day: string; onDay: (day: string) => void }) {
  return (
    <>
      <IconAction
        name="The day before"
        icon={ChevronLeft}
        onPress={() => {
          onDay(addDays(day, -1));
        }}
      />
      <IconAction
        name="The day after"
        icon={ChevronRight}
        onPress={() => {
          onDay(addDays(day, 1));
        }}
      />
    </>
  );
}
