import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import type { Lesson } from '@slate-path/core/records/schema';
import { inLines } from '../../parts/arrange';
import { usePalette, useWide } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { isAway } from '../lesson/isAway';
import type { LessonRow } from '../lesson/LessonScreen';
import { StudentTile } from './StudentTile';

interface TallyTilesProps {
  lesson: Lesson;
  rows: readonly LessonRow[];
  names: ReadonlyMap<string, string>;
  heldStudent: string | null | undefined;
  onTap: (lesson: Lesson, studentId: string | null) => void;
}

const tileGap = space(2);
const edge = space(3);

/** The students three or more beside each other, the whole class first. */
export function TallyTiles({ lesson, rows, names, heldStudent, onTap }: TallyTilesProps) {
  const palette = usePalette();
  const wide = useWide();
  const across = wide ? 5 : 3;
  const [room, setRoom] = useState(useWindowDimensions().width - 2 * edge);
  const tiles = [
    { id: null, name: 'Whole class', own: lesson, away: false },
    ...rows.map((row) => ({
      id: row.student.id,
      name: names.get(row.student.id) ?? '',
      own: row.lesson,
      away: isAway(row),
    })),
  ];
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: palette.ground }}
      contentContainerStyle={{ padding: edge, gap: tileGap }}
    >
      <View
        role="group"
        aria-label="Students to tally"
        style={{ gap: tileGap }}
        onLayout={({ nativeEvent }) => {
          setRoom(nativeEvent.layout.width);
        }}
      >
        {inLines(tiles, across).map((line, index) => (
          <View key={index} style={{ flexDirection: 'row', gap: tileGap }}>
            {line.map(({ id, name, own, away }) => (
              <StudentTile
                key={id ?? 'class'}
                lesson={own}
                studentId={id}
                name={name}
                away={away}
                held={heldStudent !== undefined && heldStudent === id}
                width={Math.floor((room - (across - 1) * tileGap) / across)}
                onTap={onTap}
              />
            ))}
            {Array.from({ length: across - line.length }, (_, empty) => (
              <View key={empty} style={{ flex: 1 }} />
            ))}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}
