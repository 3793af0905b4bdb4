import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { TouchableRipple } from 'react-native-paper';
import { many } from '@slate-path/core/words/many';
import { Card } from '../../parts/Card';
import { Words } from '../../parts/Words';
import { space } from '../../theme/tokens';
import type { ShownSection } from '../../sync/sections';

interface SectionCardProps {
  shown: ShownSection;
  /** Students in it now, or on its last day. */
  size: number;
  /** The days on which it meets, or when it ended. */
  days: string;
  /** Lessons of the last four weeks whose roll was not taken. */
  untaken: number;
}

/** A class, and the way into it. */
export function SectionCard({ shown: { section, name }, size, days, untaken }: SectionCardProps) {
  const router = useRouter();
  return (
    <Card style={{ padding: 0, flex: 1 }}>
      <TouchableRipple
        role="link"
        aria-label={`${name}, ${many(size, 'student')}`}
        onPress={() => {
          router.push({ pathname: '/classes/[sectionId]', params: { sectionId: section.id } });
        }}
        style={{ padding: space(4), minHeight: 88 }}
      >
        <View style={{ gap: 2 }}>
          <Words size="large" serif heading={2}>
            {name}
          </Words>
          <Words tone="inkQuiet">
            {[many(size, 'student'), days, section.room].filter(Boolean).join(' · ')}
          </Words>
          {untaken > 0 ? (
            <Words size="small" tone="inkQuiet">
              {`${untaken} of the last four weeks’ lessons not taken`}
            </Words>
          ) : null}
        </View>
      </TouchableRipple>
    </Card>
  );
}
