import { useState } from 'react';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import Square from 'lucide-react-native/icons/square';
import SquareCheck from 'lucide-react-native/icons/square-check';
import { termOn } from '@slate-path/core/calendar/lessons';
import { listOf } from '@slate-path/core/records/records';
import type { DayOffFound } from '@slate-path/core/calendar/icalendar';
import { Action } from '../../../parts/Action';
import { Sheet } from '../../../parts/Sheet';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { useRecords } from '../../../sync/useRecords';
import { useTerms } from './TermDates';

export interface FoundDays {
  days: DayOffFound[];
  leftOut: { name: string; reason: string }[];
}

interface CalendarReadingProps {
  found: FoundDays;
  spanWords: (day: DayOffFound) => string;
  onAccept: (days: DayOffFound[]) => void;
  onClose: () => void;
}

/** The days off a calendar file holds, each to be ticked; those outside the term wait for a tick. */
export function CalendarReading({ found, spanWords, onAccept, onClose }: CalendarReadingProps) {
  const palette = usePalette();
  const terms = useTerms();
  const known = useRecords((state) => state.current);
  const isKnown = (day: DayOffFound) =>
    listOf(known, 'dayOff').some((d) => d.startsOn === day.startsOn && d.endsOn === day.endsOn);
  const inTerm = (day: DayOffFound) => Boolean(termOn(day.startsOn, terms) ?? termOn(day.endsOn, terms));
  const [ticked, setTicked] = useState(() => found.days.map((day) => inTerm(day) && !isKnown(day)));
  const accepted = found.days.filter((_, index) => ticked[index]);
  return (
    <Sheet title="Days off in this calendar" note="Nothing is saved before you accept." onClose={onClose}>
      {found.days.length === 0 ? <Words>There is no whole-day entry in this calendar.</Words> : null}
      {found.days.map((day, index) => {
        const Box = ticked[index] ? SquareCheck : Square;
        const remark = isKnown(day) ? ', already here' : inTerm(day) ? '' : ', outside the term';
        return (
          <TouchableRipple
            key={`${day.name} ${day.startsOn}`}
            role="checkbox"
            aria-checked={ticked[index]}
            aria-label={`${day.name}, ${spanWords(day)}${remark}`}
            onPress={() => {
              setTicked((last) => last.map((tick, at) => (at === index ? !tick : tick)));
            }}
            style={{ minHeight: rowHeight, justifyContent: 'center' }}
          >
            <View style={{ flexDirection: 'row', gap: space(3), alignItems: 'center' }}>
              <Box size={24} color={palette.slate} />
              <View style={{ flex: 1 }}>
                <Words>{day.name}</Words>
                <Words size="small" tone="inkQuiet">{`${spanWords(day)}${remark}`}</Words>
              </View>
            </View>
          </TouchableRipple>
        );
      })}
      {found.leftOut.map(({ name, reason }) => (
        <Words key={name} size="small" tone="inkQuiet">{`Left out: ${name}, ${reason}.`}</Words>
      ))}
      <Action
        label={accepted.length === 1 ? 'Accept 1' : `Accept ${accepted.length}`}
        kind="main"
        disabled={accepted.length === 0}
        onPress={() => {
          onAccept(accepted);
        }}
      />
    </Sheet>
  );
}
