import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import type { TickColumn } from '@slate-path/core/records/schema';
import { columnSentence } from '@slate-path/core/ticks/columnSentence';
import { shortDay } from '../../parts/dates';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import { TickSign } from './TickSign';
import { sumsOf, type Sheet } from './useSheet';

/** A column with what it comes to, and the way into it. */
export function ColumnRow({ sheet, column }: { sheet: Sheet; column: TickColumn }) {
  const router = useRouter();
  const palette = usePalette();
  const { have, owe, owing } = columnSentence(column, sumsOf(sheet, column));
  const due = column.dueOn === null ? '' : `, due ${shortDay(column.dueOn)}`;
  return (
    <TouchableRipple
      role="link"
      aria-label={`${column.name}: ${have}; ${owe}${due}`}
      onPress={() => {
        const params = { sectionId: column.sectionId, columnId: column.id };
        router.push({ pathname: '/classes/[sectionId]/ticks/[columnId]', params });
      }}
      style={{
        paddingHorizontal: space(4),
        paddingVertical: space(2),
        minHeight: 64,
        justifyContent: 'center',
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3) }}>
        <Words size="small" tone="inkQuiet" figures style={{ width: 20 }}>
          {String(column.number)}
        </Words>
        <View style={{ flex: 1 }}>
          <Words bold lines={1}>
            {column.name}
          </Words>
          <Words size="small" tone="inkQuiet" lines={2}>
            {`${have}; ${owe}${due}`}
          </Words>
        </View>
        <TickSign state={owing === 0 ? 'done' : 'open'} />
      </View>
    </TouchableRipple>
  );
}
