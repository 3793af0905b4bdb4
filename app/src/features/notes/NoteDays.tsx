import { View } from 'react-native';
import { groupBy } from '@slate-path/core/records/groupBy';
import { longDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { useRecords } from '../../sync/useRecords';
import NoteCard from './NoteCard';
import { momentOf } from './ties';
import type { NoteHit } from './useSearch';

/** Notes under the days on which they were written. */
export function NoteDays({ hits, except }: { hits: readonly NoteHit[]; except: string | null }) {
  const palette = usePalette();
  const current = useRecords((state) => state.current);
  const byDay = groupBy(hits, ({ note }) => momentOf(note, current).date);
  return [...byDay].map(([date, found]) => (
    <View key={date} style={{ gap: space(2) }}>
      <View style={{ borderBottomWidth: 1, borderColor: palette.line }}>
        <Words bold heading={2}>
          {longDay(date)}
        </Words>
      </View>
      {found.map(({ note, hits: places }) => (
        <NoteCard key={note.id} note={note} hits={places} except={except} />
      ))}
    </View>
  ));
}
