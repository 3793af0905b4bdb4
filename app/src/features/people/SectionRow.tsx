import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { many } from '@slate-path/core/words/many';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';
import type { ShownSection } from '../../sync/sections';

interface SectionRowProps {
  shown: ShownSection;
  /** Students in it now, or on its last day. */
  size: number;
  /** The days on which it meets, or when it ended. */
  days: string;
  /** Lessons of the last four weeks whose roll was not taken. */
  untaken: number;
  /** Students in it who have an open concern, as far as this device was told. */
  needs: number;
}

/** A class, and the way into it. */
export function SectionRow({ shown: { section, name }, size, days, untaken, needs }: SectionRowProps) {
  const router = useRouter();
  const palette = usePalette();
  const state = [
    needs > 0 ? `${needs} ${needs === 1 ? 'needs' : 'need'} you` : '',
    untaken > 0 ? `${many(untaken, 'lesson')} not taken` : '',
  ].filter(Boolean);
  return (
    <TouchableRipple
      role="link"
      aria-label={[name, many(size, 'student'), ...state].join(', ')}
      onPress={() => {
        router.push({ pathname: '/classes/[sectionId]', params: { sectionId: section.id } });
      }}
      style={{
        paddingHorizontal: space(4),
        paddingVertical: space(2),
        minHeight: 72,
        justifyContent: 'center',
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <View>
        <Words size="name" serif heading={2}>
          {name}
        </Words>
        <Words size="small" tone="inkQuiet">
          {[many(size, 'student'), days, section.room].filter(Boolean).join(' · ')}
        </Words>
        {state.length > 0 ? (
          <Words size="small" bold={needs > 0} tone={needs > 0 ? 'ember' : 'inkQuiet'}>
            {state.join(' · ')}
          </Words>
        ) : null}
      </View>
    </TouchableRipple>
  );
}
