import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import Ellipsis from 'lucide-react-native/icons/ellipsis';
import { memo, useCallback, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { periodName } from '@slate-path/core/calendar/periodName';
import type { LocalMoment } from '@slate-path/core/calendar/zone';
import type { Lesson } from '@slate-path/core/records/schema';
import type { RollRow } from '@slate-path/core/attendance/roll/rollRows';
import { longDay, shortDay } from '../../../parts/dates';
import { Action } from '../../../parts/Action';
import { IconAction } from '../../../parts/IconAction';
import { Words } from '../../../parts/Words';
import { lazily } from '../../../parts/lazily';
import { usePalette, useWide } from '../../../theme/theme';
import { railWidth, space } from '../../../theme/tokens';
import { useHasCheckIns, useRoundUp } from '../checkIn/useRoundUp';
import { useDue } from '../../notes/useDue';
import { useRecords } from '../../../sync/useRecords';
import { SavedSign } from '../../../shell/SavedSign';
import { LessonLine } from './LessonLine';
import type { LessonRow } from './lessonRow';

const LessonMenu = lazily(() => import('./LessonMenu'));

interface LessonHeaderProps {
  lesson: Lesson;
  title: string;
  rows: readonly LessonRow[];
  now: LocalMoment;
  untaken: number;
  previous: Lesson | undefined;
  next: Lesson | undefined;
  onGo: (lesson: Lesson | undefined) => void;
  onOpenRow: (row: RollRow) => void;
  onListUntaken: () => void;
  onListCheckIns: () => void;
  onOpenSeen: () => void;
  onOpenNotes: () => void;
  /** Without the line, where the screen needs the room. */
  compact: boolean;
  /** Width of what stands beside it on a wide screen. */
  beside: number;
}

interface TitleBarProps {
  title: string;
  day: string;
  previous: Lesson | undefined;
  next: Lesson | undefined;
  onGo: (lesson: Lesson | undefined) => void;
  onMenu: () => void;
}

/**
 * Of one height, whatever title and sign say: were it to grow when something is on its way to the server,
 * everything below would move away under the thumb.
 */
const titleHeight = 60;
/** So far the line lies over the empty foot of the title. */
const lineOverTitle = 14;
/** More letters than this stand in two smaller lines on a phone. */
const longTitle = 16;

/** Does not change while a roll is taken, so it is left alone. */
const TitleBar = memo(function TitleBar({ title, day, previous, next, onGo, onMenu }: TitleBarProps) {
  const wide = useWide();
  const long = title.length > longTitle;
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', paddingHorizontal: space(1), height: titleHeight }}
    >
      <IconAction
        name="Earlier lesson"
        icon={ChevronLeft}
        disabled={!previous}
        onPress={() => onGo(previous)}
      />
      <View style={{ flex: 1 }}>
        <Words
          size={wide ? 'title' : long ? 'name' : 'large'}
          serif
          heading={1}
          lines={long && !wide ? 2 : 1}
          style={long && !wide ? { lineHeight: 20 } : undefined}
        >
          {title}
        </Words>
        <Words size="small" tone="inkQuiet" lines={1}>
          {day}
        </Words>
      </View>
      <SavedSign />
      <IconAction name="More about this lesson" icon={Ellipsis} onPress={onMenu} />
      <IconAction name="Later lesson" icon={ChevronRight} disabled={!next} onPress={() => onGo(next)} />
    </View>
  );
});

/** How many have come in by themselves; opens who has not. */
function CheckedIn({ lesson, onPress }: { lesson: Lesson; onPress: () => void }) {
  const { checkedIn, students, low, wantsWord, markedAway } = useRoundUp(lesson);
  const words = [
    `${checkedIn} of ${students} in`,
    low.length > 0 ? `${low.length} low` : '',
    wantsWord.length > 0 ? `${wantsWord.length} ${wantsWord.length === 1 ? 'asks' : 'ask'} for a word` : '',
    markedAway.length > 0 ? `${markedAway.length} away?` : '',
  ];
  return <Action label={words.filter(Boolean).join(' · ')} onPress={onPress} />;
}

/** Which lesson this is, how far it is, and the way to others. */
export const LessonHeader = memo(function LessonHeader(props: LessonHeaderProps) {
  const {
    lesson,
    title,
    rows,
    now,
    untaken,
    previous,
    next,
    onGo,
    onOpenRow,
    onListUntaken,
    onListCheckIns,
    onOpenSeen,
    onOpenNotes,
    compact,
    beside,
  } = props;
  const checkedIn = useHasCheckIns(lesson.id);
  const due = useDue().length;
  const again = lesson.date === now.date ? due : 0;
  const palette = usePalette();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const [menu, setMenu] = useState(false);
  const openMenu = useCallback(() => {
    setMenu(true);
  }, []);
  const today = lesson.date === now.date;
  const period = useRecords(({ current }) => periodName(Object.values(current.school)[0]?.periods, lesson));
  const times = `${period ? `${period}, ` : ''}${lesson.startsAt} to ${lesson.endsAt}`;
  const day = wide
    ? `${today ? 'Today, ' : ''}${longDay(lesson.date)}${period ? `, ${period}` : ''}`
    : `${today ? 'Today' : shortDay(lesson.date)}, ${times}`;
  const lineWidth = wide ? width - railWidth - beside - space(12) : width - space(10);
  return (
    <View
      style={{
        backgroundColor: palette.surface,
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingTop: wide ? space(2) : 0,
        paddingBottom: wide ? space(2) : 2,
      }}
    >
      <TitleBar title={title} day={day} previous={previous} next={next} onGo={onGo} onMenu={openMenu} />
      {compact ? null : (
        <View
          style={{
            paddingHorizontal: space(5),
            marginTop: wide ? space(1) : -lineOverTitle,
            pointerEvents: 'box-none',
          }}
        >
          <LessonLine
            lesson={lesson}
            now={now}
            rows={rows}
            times={wide}
            width={Math.max(lineWidth, 200)}
            onOpen={onOpenRow}
            onOpenSeen={onOpenSeen}
            onOpenNotes={onOpenNotes}
          />
        </View>
      )}
      {(untaken > 0 || checkedIn || again > 0) && !wide ? (
        <View
          style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: space(3), paddingHorizontal: space(4) }}
        >
          {checkedIn ? <CheckedIn lesson={lesson} onPress={onListCheckIns} /> : null}
          {again > 0 ? (
            <Action
              label={again === 1 ? '1 to look at again' : `${again} to look at again`}
              onPress={onOpenNotes}
            />
          ) : null}
          {untaken > 0 ? (
            <Action label={`${many(untaken, 'lesson')} not taken`} onPress={onListUntaken} />
          ) : null}
        </View>
      ) : null}
      {menu ? (
        <LessonMenu
          lesson={lesson}
          title={title}
          rows={rows}
          onClose={() => {
            setMenu(false);
          }}
        />
      ) : null}
    </View>
  );
});
