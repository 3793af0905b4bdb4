import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { Work } from '@slate-path/core/records/schema';
import type { PieceDigest } from '@slate-path/core/work/digest';
import { pieceWords } from '@slate-path/core/work/pieceWords';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { useRecords } from '../../sync/useRecords';
import { usePalette } from '../../theme/theme';
import { rowHeight, space } from '../../theme/tokens';
import { PieceBar } from './PieceBar';

interface PieceListProps {
  sectionId: string;
  pieces: readonly { work: Work; digest: Omit<PieceDigest, 'workId'> }[];
}

/** What one student does alone, by no day, is done or not; all else came on time, late or not. */
function wordsOf(
  work: Work,
  digest: PieceListProps['pieces'][number]['digest'],
): { when: string; came: string } {
  if (work.studentId === null || work.dueAt !== null) return pieceWords(work, digest);
  return { when: '', came: digest.on_time > 0 ? 'done' : 'not done yet' };
}

/** Pieces of work, each with how it came; opens the piece, or what its one student has. */
export function PieceList({ sectionId, pieces }: PieceListProps) {
  const palette = usePalette();
  const router = useRouter();
  const students = useRecords(({ current }) => current.student);
  return (
    <View>
      {pieces.map(({ work, digest }) => {
        const { studentId } = work;
        const { when: due, came } = wordsOf(work, digest);
        const own = studentId === null ? undefined : students[studentId];
        const when = [own ? displayName(own) : '', due].filter(Boolean).join(' · ');
        return (
          <TapArea
            key={work.id}
            testID="piece-row"
            name={`${work.title}, ${when}: ${came}. Open it.`}
            onTap={() => {
              if (studentId === null)
                router.push({
                  pathname: '/classes/[sectionId]/pieces/[workId]',
                  params: { sectionId, workId: work.id },
                });
              else
                router.push({
                  pathname: '/classes/[sectionId]/pieces',
                  params: { sectionId, of: studentId },
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
