import { memo } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { OarMarks } from '../../../parts/OarMarks';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';

interface SweepTileProps {
  student: Student;
  /** As it stands on the board. */
  name: string;
  level: number | null;
  /** Of the last lessons, the latest last. */
  before: readonly number[];
  away: boolean;
  levelNames: readonly string[];
  /** The level that a tap gives; the same again takes it away. */
  hand: number;
  height: number;
  onTap: (studentId: string) => void;
}

/** So many earlier sweeps stand beside the level. */
const mostBefore = 3;

/** A student on the board of a sweep: the name, the level, and quietly the ones before. */
export const SweepTile = memo(function SweepTile(props: SweepTileProps) {
  const { student, name, level, before, away, levelNames, hand, height, onTap } = props;
  const palette = usePalette();
  const tile = {
    height,
    justifyContent: 'center',
    overflow: 'hidden',
    paddingLeft: space(3),
    paddingRight: space(1),
    borderBottomWidth: 1,
    borderColor: palette.line,
  } as const;
  const head = (
    <Words bold={level !== null} tone={away ? 'inkQuiet' : 'ink'} lines={1} style={{ lineHeight: 20 }}>
      {name}
    </Words>
  );
  if (away)
    return (
      <View style={tile}>
        {head}
        <Words size="small" tone="inkQuiet" style={{ lineHeight: 16 }}>
          away
        </Words>
      </View>
    );
  const now = level === null ? 'not set' : (levelNames[level] ?? '');
  const tap = level === hand ? 'not set' : (levelNames[hand] ?? '');
  return (
    <TapArea
      id={`sweep-${student.id}`}
      testID="sweep-tile"
      name={`${displayName(student)}: ${now}. Tap: ${tap}`}
      onTap={() => {
        onTap(student.id);
      }}
      style={{ ...tile, backgroundColor: level === null ? undefined : palette.slateWash }}
    >
      {head}
      <View style={{ flexDirection: 'row', alignItems: 'center', height: 20, marginLeft: -space(1) }}>
        {level === null ? null : <OarMarks level={level} size={20} />}
        <View style={{ flex: 1 }} />
        {before.slice(-mostBefore).map((one, at) => (
          <OarMarks key={at} level={one} tone="inkQuiet" size={16} />
        ))}
      </View>
    </TapArea>
  );
});
