import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { OarMarks } from '../../../parts/OarMarks';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { isAway } from '../../attendance/lesson/isAway';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { LevelSlide } from './LevelSlide';

interface SweepRowProps {
  row: LessonRow;
  level: number | null;
  /** Of the last lessons, the latest last. */
  before: readonly number[];
  levelNames: readonly string[];
  onLevel: (level: number | null) => void;
}

/** A student in the list of a sweep: the full name, the levels before, and a slide for this one. */
export function SweepRow({ row, level, before, levelNames, onLevel }: SweepRowProps) {
  const palette = usePalette();
  const name = displayName(row.student);
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: space(2),
        minHeight: rowHeight,
        paddingHorizontal: space(3),
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flex: 1 }}>
        <Words tone={isAway(row) ? 'inkQuiet' : 'ink'} lines={1}>
          {name}
        </Words>
        {before.length > 0 ? (
          <View
            style={{ flexDirection: 'row' }}
            role="img"
            aria-label={`before: ${before.map((one) => levelNames[one]).join(', ')}`}
          >
            {before.map((one, at) => (
              <OarMarks key={at} level={one} tone="inkQuiet" size={20} />
            ))}
          </View>
        ) : null}
      </View>
      {isAway(row) ? (
        <Words tone="inkQuiet">away</Words>
      ) : (
        <LevelSlide name={name} level={level} levelNames={levelNames} onLevel={onLevel} />
      )}
    </View>
  );
}
