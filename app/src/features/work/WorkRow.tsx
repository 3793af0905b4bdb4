import { memo } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { many } from '@slate-path/core/words/many';
import { notSeenWords } from '@slate-path/core/work/seen';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { Rails, railsHeight } from './Rails';
import type { RailRow } from './useClassWork';

/** Letters that a narrow row has room for. */
const shortEnough = 16;

/** Of the column of names, in pixels. */
export const nameWidth = (wide: boolean) => (wide ? 210 : 152);

interface WorkRowProps {
  row: RailRow;
  /** In few letters, for a long name on a narrow row. */
  shortName: string;
  from: string;
  to: string;
  /** Of the rails. */
  width: number;
  onOpen: (studentId: string) => void;
}

/** What a student did, in words: why to look where nothing was seen, else how much. */
function wordsOf({ seen, digest }: RailRow, to: string, wide: boolean): string {
  const owed = digest?.missing ? `${digest.missing} missing` : '';
  const late = digest?.late ? `${digest.late} late` : '';
  const done = seen.actions > 0 ? `on ${many(seen.days, 'day')}` : notSeenWords(seen, to);
  // A narrow row has room for the one thing that matters.
  if (!wide && (owed || seen.actions === 0)) return owed || done;
  return [owed, done, late].filter(Boolean).join(' · ');
}

/** One student: the name, what it comes to, and the two rails. Opens the student’s days. */
export const WorkRow = memo(function WorkRow({ row, shortName, from, to, width, onOpen }: WorkRowProps) {
  const wide = useWide();
  const palette = usePalette();
  const name = displayName(row.student);
  const words = wordsOf(row, to, wide);
  const { isUnusual } = row.seen;
  return (
    <TapArea
      testID="work-row"
      name={`${name}: ${words}. Open the days.`}
      onTap={() => {
        onOpen(row.student.id);
      }}
      style={{
        borderTopWidth: 1,
        borderColor: palette.line,
        flexDirection: 'row',
        alignItems: 'center',
        minHeight: 48,
      }}
    >
      <View style={{ width: nameWidth(wide), paddingLeft: space(wide ? 4 : 3), paddingRight: space(1) }}>
        <Words bold={isUnusual} lines={1}>
          {wide || name.length <= shortEnough ? name : shortName}
        </Words>
        <Words size="small" bold={isUnusual} tone={isUnusual ? 'ember' : 'inkQuiet'} lines={1} figures>
          {words}
        </Words>
      </View>
      <View style={{ height: railsHeight }}>
        <Rails row={row} from={from} to={to} width={width} />
      </View>
    </TapArea>
  );
});
