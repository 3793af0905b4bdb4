import { View } from 'react-native';
import type { MemberShare } from '@slate-path/core/observation/circle/shares';
import { usePalette } from '../../../theme/theme';
import { radius } from '../../../theme/tokens';
import { Words } from '../../../parts/Words';

interface ShareRibbonProps {
  shares: readonly MemberShare[];
  names: ReadonlyMap<string, string>;
}

/** A name fits where the part is so large, and its share beside it from there on. */
const namedFrom = 0.24;
const countedFrom = 0.4;

/** The talk as one ribbon, each part as long as that student's share of it, in the order of the seats. */
export function ShareRibbon({ shares, names }: ShareRibbonProps) {
  const palette = usePalette();
  const heard = shares.filter(({ spoken }) => spoken > 0);
  const words = heard.map(
    ({ studentId, share }) => `${names.get(studentId) ?? ''} ${Math.round(share * 100)} %`,
  );
  return (
    <View
      role="img"
      aria-label={heard.length === 0 ? 'Nobody has spoken yet' : `Share of talk: ${words.join(', ')}`}
      style={{
        flexDirection: 'row',
        height: 28,
        borderRadius: radius.control,
        overflow: 'hidden',
        borderWidth: 1,
        borderColor: palette.line,
        backgroundColor: palette.ground,
      }}
    >
      {heard.map(({ studentId, share }, index) => (
        <View
          key={studentId}
          style={{
            flexGrow: share,
            flexBasis: 0,
            minWidth: 3,
            justifyContent: 'center',
            paddingHorizontal: share >= namedFrom ? 6 : 0,
            borderLeftWidth: index === 0 ? 0 : 2,
            borderColor: palette.surface,
            backgroundColor: palette.slateWash,
          }}
        >
          {share >= namedFrom ? (
            <Words size="small" lines={1} figures>
              {share >= countedFrom ? words[index] : names.get(studentId)}
            </Words>
          ) : null}
        </View>
      ))}
    </View>
  );
}
