import { useRouter } from 'expo-router';
import { View } from 'react-native';
import type { Work } from '@slate-path/core/records/schema';
import type { PieceDigest } from '@slate-path/core/work/digest';
import { pieceWords } from '@slate-path/core/work/pieceWords';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { rowHeight, space } from '../../theme/tokens';
import { PieceBar } from './PieceBar';

interface PieceListProps {
  sectionId: string;
  pieces: readonly { work: Work; digest: Omit<PieceDigest, 'workId'> }[];
}

/** Pieces of work, each with how it came; opens the piece. */
export function PieceList({ sectionId, pieces }: PieceListProps) {
  const palette = usePalette();
  const router = useRouter();
  return (
    <View>
      {pieces.map(({ work, digest }) => {
        const { when, came } = pieceWords(work, digest);
        return (
          <TapArea
            key={work.id}
            testID="piece-row"
            name={`${work.title}, ${when}: ${came}. Open it.`}
            onTap={() => {
              router.push({
                pathname: '/classes/[sectionId]/pieces/[workId]',
                params: { sectionId, workId: work.id },
              });
            }}
            style={{
              minHeight: rowHeight,
              justifyContent: 'center',
              paddingVertical: space(2),
              borderBottomWidth: 1,
              borderColor: palette.line,
              gap: space(1),
            }}
          >
            <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: space(2), flexWrap: 'wrap' }}>
              <Words bold>{work.title}</Words>
              <Words size="small" tone="inkQuiet" figures>
                {when}
              </Words>
            </View>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
              <PieceBar counts={digest} width={150} />
              <View style={{ flex: 1 }}>
                <Words size="small" tone="inkQuiet" figures>
                  {came}
                </Words>
              </View>
            </View>
          </TapArea>
        );
      })}
    </View>
  );
}
